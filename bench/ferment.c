/* The loop of core/src/forecast/model.ts, word for word, to measure it against. Reads members and grid as doubles from standard
   input; writes the milliseconds of each round and the sum of all sugar. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define HALF_N 20.0
#define PITCH_LIVES 0.6
#define REST_VIGOR 0.3
#define AFFINITY_LOSS 0.5

static double maxd(double a, double b) { return a > b ? a : b; }

#define SLOWING_STEPS 128
static double table[SLOWING_STEPS + 2];
static double slowing_at(double strength) {
  if (strength >= 1) return 0;
  const double place = strength * SLOWING_STEPS;
  const int i = (int)place;
  return table[i] + (table[i + 1] - table[i]) * (place - i);
}

static void ferment(const double *kin, const double *course, int steps, const double *hours, const double *stepH, const double *work,
                    const double *death, const double *pulse, double *out) {
  const double growthPerH = kin[0], uptakePerH = kin[1], yeastPerN = kin[2], deathPerH = kin[3], lagH = kin[4], tolerance = kin[5],
               power = kin[6], tiring = kin[8], dry = kin[9];
  for (int i = 0; i < SLOWING_STEPS; i++) table[i] = pow(1 - (double)i / SLOWING_STEPS, power);
  double living = maxd(0.05, course[2] * PITCH_LIVES), nitrogen = course[1], sugar = maxd(0, course[0] - dry), abv = 0, vigor = 1;
  for (int k = 0; k < steps; k++) {
    const double *p = pulse + 3 * k;
    if (p[0] >= 0) {
      living *= p[0];
      abv *= p[0];
      nitrogen = nitrogen * p[0] + p[2];
      sugar = sugar * p[0] + p[1];
    }
    out[k] = sugar + dry;
    if (hours[k] < lagH) continue;
    const double h = stepH[k], warm = work[k], growth = growthPerH * warm, uptake = uptakePerH * warm * course[3];
    const double strength = abv / tolerance, slowing = slowing_at(strength), square = strength * strength;
    const double dying = deathPerH * death[k] * square * square;
    vigor = REST_VIGOR + (vigor - REST_VIGOR) / (1 + tiring * warm * h * HALF_N / (HALF_N + nitrogen));
    const double halfSugar = kin[7] * (1 + AFFINITY_LOSS * (strength < 1 ? strength : 1));
    const double half = h / 2, perN = 1 / yeastPerN, eats = uptake * slowing * vigor, grows = growth * slowing;
    double grown = grows * nitrogen / (HALF_N + nitrogen) * living;
    const double x1 = grown - dying * living, n1 = -grown * perN, s1 = -eats * sugar / (halfSugar + sugar) * living;
    double x = living + half * x1, n = maxd(0, nitrogen + half * n1), s = maxd(0, sugar + half * s1);
    grown = grows * n / (HALF_N + n) * x;
    const double x2 = grown - dying * x, n2 = -grown * perN, s2 = -eats * s / (halfSugar + s) * x;
    x = living + half * x2, n = maxd(0, nitrogen + half * n2), s = maxd(0, sugar + half * s2);
    grown = grows * n / (HALF_N + n) * x;
    const double x3 = grown - dying * x, n3 = -grown * perN, s3 = -eats * s / (halfSugar + s) * x;
    x = living + h * x3, n = maxd(0, nitrogen + h * n3), s = maxd(0, sugar + h * s3);
    grown = grows * n / (HALF_N + n) * x;
    const double x4 = grown - dying * x, n4 = -grown * perN, s4 = -eats * s / (halfSugar + s) * x;
    living = maxd(0, living + (h / 6) * (x1 + 2 * (x2 + x3) + x4));
    nitrogen = maxd(0, nitrogen + (h / 6) * (n1 + 2 * (n2 + n3) + n4));
    const double wanted = (-h / 6) * (s1 + 2 * (s2 + s3) + s4), eaten = wanted < sugar ? wanted : sugar;
    sugar -= eaten;
    abv += eaten * course[4];
  }
}

static double *take(int count) {
  double *numbers = malloc(sizeof(double) * (size_t)count);
  if (numbers == NULL || fread(numbers, sizeof(double), (size_t)count, stdin) != (size_t)count) exit(1);
  return numbers;
}

int main(void) {
  double *head = take(3);
  const int members = (int)head[0], steps = (int)head[1], rounds = (int)head[2];
  double *kinetics = take(10 * members), *course = take(5), *hours = take(steps), *stepH = take(steps), *work = take(steps),
         *death = take(steps), *pulse = take(3 * steps), *out = malloc(sizeof(double) * (size_t)steps);
  double sum = 0;
  for (int round = 0; round < rounds; round++) {
    struct timespec from, to;
    clock_gettime(CLOCK_MONOTONIC, &from);
    for (int i = 0; i < members; i++) {
      ferment(kinetics + 10 * i, course, steps, hours, stepH, work, death, pulse, out);
      for (int k = 0; k < steps; k++) sum += out[k];
    }
    clock_gettime(CLOCK_MONOTONIC, &to);
    printf("%.4f\n", (double)(to.tv_sec - from.tv_sec) * 1e3 + (double)(to.tv_nsec - from.tv_nsec) / 1e6);
  }
  printf("%.9e\n", sum);
  return 0;
}
