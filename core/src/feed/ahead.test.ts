import { describe, expect, it } from 'vitest';
import { expectedAt } from '../course/index.ts';
import type { Course } from '../course/index.ts';
import { laterPoursOf, openPlan, planOf, plannedFrom, plannedHoney } from '../must/index.ts';
import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { courseOf, feedingPlanOf } from './index.ts';
import type { FeedingPractice } from './index.ts';

const reading = (sg: number): EventContent => ({ kind: 'reading', payload: { sg } });
const courseWith = (ledger: Ledger, over: Partial<FeedingPractice> = {}): Course =>
  courseOf(feedingPlanOf(ledger, { ...EXAMPLE_PRACTICE, ...over })!, ledger)!;
const pulsesOf = (course: Course) => course.input.setting.pulses;

describe('what is announced', () => {
  const plan = openPlan(
    planOf([plannedHoney('linden', 1500), plannedFrom('raspberry', 800), plannedHoney('heather', 400)], 4, { yeastId: 'allround' }),
  );
  const [linden, raspberry, heather] = plan.ingredients;
  const announced = laterPoursOf({
    ingredients: [linden!, { ...raspberry!, stage: 'during' }, { ...heather!, stage: 'during' }],
    heldBack: { waterL: 0.5, days: 6 },
  });

  it('is the honey that waits for a gravity, the fruit that waits for the foam, and the water that was held back', () => {
    expect(announced.map(({ name, atSg, days }) => [name, atSg, days])).toEqual([
      ['raspberries', null, 4],
      ['heather', 1.03, 4],
      ['water', null, 6],
    ]);
    expect(announced[2]!.massG).toBeCloseTo(499, 0);
    expect(laterPoursOf({ ingredients: plan.ingredients })).toEqual([]);
  });

  it('is in the course from its hour on, and once it is poured not twice', () => {
    const expects = { roomTempC: 20, pours: announced };
    const before = exampleBatch('allround', [60, reading(1.085)]);
    const sugared = (ledger: Ledger) => pulsesOf(courseWith(ledger, { expects })).filter(({ sugarGPerL }) => sugarGPerL > 5);
    const thinned = (ledger: Ledger) =>
      pulsesOf(courseWith(ledger, { expects })).filter(({ scale, sugarGPerL }) => scale < 1 && sugarGPerL === 0);
    expect(sugared(before).map(({ hour }) => hour >= 96)).toEqual([true, true]);
    expect(thinned(before).map(({ hour }) => hour)).toEqual([144]);
    const fruit: Happening = [
      97,
      {
        kind: 'ingredient',
        payload: {
          name: 'raspberries',
          family: 'fruit',
          makes: 'fruit',
          massG: 800,
          composition: raspberry!.composition,
          sugarSpread: 0.3,
        },
      },
    ];
    expect(sugared(exampleBatch('allround', [60, reading(1.085)], fruit))).toHaveLength(2);
    expect(thinned(exampleBatch('allround', [60, reading(1.085)], [145, reading(1.06)]))).toEqual([]);
  });

  it('is less by each part that is poured, and nothing once the rest stays in the jar', () => {
    const more = (massG: number): Happening => [
      130,
      { kind: 'honey', payload: { name: 'heather', massG, moisture: 0.172, unfermentable: 0.032 } },
    ];
    const leftG = (massG: number): number[] =>
      courseWith(exampleBatch('allround', [60, reading(1.085)], more(massG)), {
        expects: { roomTempC: 20, pours: [announced[1]!] },
      }).announced.map((pour) => pour.massG);
    expect([leftG(150), leftG(379), leftG(381)]).toEqual([[250], [21], []]);
  });

  it('of honey comes when the must has fallen to its gravity, and puts the end off', () => {
    const honeyAlone = { roomTempC: 20, pours: [announced[1]!] };
    const ledger = exampleBatch('allround', [60, reading(1.085)], [120, reading(1.055)]);
    const [plain, later] = [courseWith(ledger), courseWith(ledger, { expects: honeyAlone })];
    const honeyAt = later.announced[0]!.at;
    expect(honeyAt).toBeGreaterThan(MIXED_AT + 120 * HOUR_MS);
    expect(honeyAt).toBeLessThan(MIXED_AT + 30 * DAY_MS);
    expect(later.endAt!.value).toBeGreaterThan(plain.endAt!.value);
  });
});

describe('the course that is planned', () => {
  it('takes its room for as warm as the plan has it, until a temperature is read', () => {
    const third = (roomTempC: number, ...more: Happening[]): number =>
      expectedAt(courseWith(exampleBatch('allround', ...more), { expects: { roomTempC, pours: [] } }), 1 / 3);
    expect(third(14)).toBeGreaterThan(third(22) + DAY_MS);
    const read: Happening = [2, { kind: 'reading', payload: { tempC: 20 } }];
    expect(third(14, read)).toBe(third(22, read));
  });

  it('takes the doses ahead for given, and each only once', () => {
    const fed: Happening = [25, { kind: 'nutrient', payload: { source: 'dap', massG: 2, dose: 1 } }];
    const bare = exampleBatch('allround', [24, reading(1.104)]);
    const [none, clock] = [courseWith(bare, { school: 'none' }), courseWith(bare)];
    expect(pulsesOf(none)).toHaveLength(0);
    expect(clock.endAt!.value).toBeLessThan(none.endAt!.value);
    expect(pulsesOf(courseWith(exampleBatch('allround', [24, reading(1.104)], fed)))).toHaveLength(pulsesOf(clock).length);
  });
});
