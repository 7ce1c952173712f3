import { describe, expect, it } from 'vitest';
import { fold, sgAtShare } from '../record/index.ts';
import { exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { HOUR_MS } from '../quantities/index.ts';
import { ABV_PER_SUGAR, ferment, forecast, WARMER_C, askWhatIf, forecastInputOf, gravityFan, gridOf } from './index.ts';
import { warmth } from './model.ts';
import { tempAt } from './model.ts';
import type { Course, ForecastInput, Kinetics, WhatIf } from './index.ts';

const kinetics: Kinetics = {
  growthPerH: 0.12,
  uptakePerH: 0.4,
  yeastPerN: 0.013,
  deathPerH: 0.003,
  lagH: 12,
  toleranceAbv: 14,
  slowing: 0.75,
  halfSugar: 10,
  tiringPerH: 0.002,
  dryGPerL: 0,
};
const course: Course = {
  sugarGPerL: 200,
  nitrogenMgPerL: 250,
  pitchGPerL: 0.8,
  temps: [{ hour: 0, tempC: 20 }],
  pulses: [],
  acidSlowing: 1,
  abvPerSugar: ABV_PER_SUGAR,
  horizonH: 60 * 24,
};
function run(over: Partial<Course> = {}, ofYeast: Partial<Kinetics> = {}) {
  const whole = { ...course, ...over };
  const grid = gridOf(whole);
  const sugar = new Float64Array(grid.hours.length);
  ferment({ ...kinetics, ...ofYeast }, whole, grid, sugar);
  const at = (hour: number): number => sugar[grid.hours.findIndex((h) => h >= hour)] ?? sugar.at(-1)!;
  return { sugar, at };
}

describe('the model', () => {
  it('only ever eats, ends dry where the tolerance allows, and stops at the tolerance where not', () => {
    const { sugar } = run();
    for (let k = 1; k < sugar.length; k++) expect(sugar[k]!).toBeLessThanOrEqual(sugar[k - 1]! + 1e-12);
    expect(sugar.at(-1)!).toBeLessThan(1);
    const strong = run({ sugarGPerL: 330 }).sugar.at(-1)!;
    expect((330 - strong) * ABV_PER_SUGAR).toBeLessThanOrEqual(14 + 1e-6);
    expect((330 - strong) * ABV_PER_SUGAR).toBeGreaterThan(13);
  });

  it('is faster for warmth, nitrogen and yeast, slower in the cold and the sour', () => {
    const left = run().at(120);
    expect(run({ temps: [{ hour: 0, tempC: 25 }] }).at(120)).toBeLessThan(left);
    expect(run({ nitrogenMgPerL: 60 }).at(120)).toBeGreaterThan(left);
    expect(run({ acidSlowing: 0.5 }).at(120)).toBeGreaterThan(left);
    expect(warmth(2)).toBe(0);
    expect(warmth(35)).toBe(0);
  });

  it('takes sugar and nitrogen that go in, and does nothing before its lag', () => {
    expect(run().at(10)).toBe(200);
    const pulsed = run({ pulses: [{ hour: 48, scale: 0.9, sugarGPerL: 40, nitrogenMgPerL: 0 }] });
    expect(pulsed.at(48) - run().at(48) * 0.9).toBeCloseTo(40, 9);
    expect(run({ nitrogenMgPerL: 60, pulses: [{ hour: 24, scale: 1, sugarGPerL: 0, nitrogenMgPerL: 150 }] }).at(144)).toBeLessThan(
      run({ nitrogenMgPerL: 60 }).at(144),
    );
  });

  it('errs by its steps far less than a reading does', () => {
    // The same course at a twentieth of the step: within 0.6 g/L, a quarter of a thousandth of SG.
    const fine = (() => {
      let [living, nitrogen, sugar, abv, vigor] = [0.8 * 0.6, 250, 200, 0, 1];
      const byDay: number[] = [];
      const h = 0.02;
      for (let step = 0; step * h < 30 * 24; step++) {
        if (step % (24 / h) === 0) byDay.push(sugar);
        if (step * h < 12) continue;
        const slowing = (1 - abv / 14) ** 0.75;
        const grown = 0.12 * (nitrogen / (20 + nitrogen)) * slowing * living;
        const eaten = Math.min(sugar, h * 0.4 * (sugar / (10 * (1 + (0.5 * abv) / 14) + sugar)) * slowing * vigor * living);
        vigor -= h * 0.002 * (20 / (20 + nitrogen)) * (vigor - 0.3);
        living += h * (grown - 0.003 * (abv / 14) ** 4 * living);
        nitrogen = Math.max(0, nitrogen - (h * grown) / 0.013);
        sugar -= eaten;
        abv += eaten * ABV_PER_SUGAR;
      }
      return byDay;
    })();
    const { at } = run();
    fine.forEach((left, day) => expect(Math.abs(at(day * 24) - left)).toBeLessThan(0.6));
  });

  it('reads temperatures straight between points, even outside them', () => {
    const temps = [
      { hour: 0, tempC: 20 },
      { hour: 10, tempC: 10 },
    ];
    expect([-5, 0, 4, 10, 50].map((hour) => tempAt(temps, hour))).toEqual([20, 20, 16, 10, 10]);
    expect(tempAt([], 3)).toBe(20);
  });
});

describe('a forecast', () => {
  const reading = (hour: number, sg: number): Happening => [hour, { kind: 'reading', payload: { sg, tempC: 20 } }];
  const inputAfter = (...more: Happening[]): ForecastInput => {
    const ledger = exampleBatch('allround', ...more);
    const wish = { now: ledger.history.lastEventAt!, horizonDays: 60, members: 80, seed: 3, roomTempC: 20, organicCredit: 1 };
    return forecastInputOf(ledger, wish)!;
  };
  const fed: Happening = [24, { kind: 'nutrient', payload: { source: 'dap', massG: 5 } }];
  const told = [reading(48, 1.092), reading(96, 1.06), reading(144, 1.04)];

  it('gives the same answer for the same input', async () => {
    expect(await forecast(inputAfter(fed, ...told))).toEqual(await forecast(inputAfter(fed, ...told)));
  });

  it('narrows with every reading', async () => {
    const breadthAt = async (input: ForecastInput): Promise<number> => {
      const { bands } = (await forecast(input))!;
      const band = bands.find(({ hour }) => hour >= 240)!;
      return band.high - band.low;
    };
    const breadths = [
      await breadthAt(inputAfter(fed)),
      await breadthAt(inputAfter(fed, told[0]!)),
      await breadthAt(inputAfter(fed, ...told)),
    ];
    expect(breadths[1]!).toBeLessThan(breadths[0]!);
    expect(breadths[2]!).toBeLessThan(0.6 * breadths[1]!);
  });

  it('passes near its readings, and orders its breaks and its end', async () => {
    const input = inputAfter(fed, ...told);
    const found = (await forecast(input))!;
    for (const { hour, sugarGPerL } of input.readings) {
      const band = found.bands.findLast((each) => each.hour <= hour)!;
      expect(Math.abs(band.middle - sugarGPerL)).toBeLessThan(0.1 * input.course.sugarGPerL);
    }
    expect(found.thirdBreakH!.value).toBeLessThan(found.halfH!.value);
    expect(found.halfH!.value).toBeLessThan(found.endH!.value);
    expect(found.stickProbability).toBeGreaterThanOrEqual(0);
    expect(found.stickProbability).toBeLessThanOrEqual(1);
  });

  it('says so where the last reading does not fit what it knows', async () => {
    expect((await forecast(inputAfter(fed, ...told)))!.missesLast).toBe(false);
    const input = inputAfter(fed, ...told);
    const last = input.readings.at(-1)!;
    const risen = { hour: last.hour + 24, sugarGPerL: last.sugarGPerL + 40, sd: 2 };
    expect((await forecast({ ...input, readings: [...input.readings, risen], nowH: risen.hour }))!.missesLast).toBe(true);
  });

  it('is asked what if: warmer, fed, left alone; and a dose past half of the sugar changes nothing', () => {
    const input = inputAfter(fed, ...told);
    const ahead = [{ hour: 100, scale: 1, sugarGPerL: 0, nitrogenMgPerL: 40 }];
    const pulses = (what: WhatIf, shareGone = 0.2) =>
      askWhatIf(input, what, ahead, shareGone).course.pulses.length - input.course.pulses.length;
    expect([pulses('planned'), pulses('fed now'), pulses('nothing')]).toEqual([1, 2, 0]);
    expect(pulses('fed now', 0.5)).toBe(1);
    expect(askWhatIf(input, 'planned', ahead, 0.2).course.pulses.at(-1)!.hour).toBe(input.nowH + 1);
    const warm = askWhatIf(input, 'warmer', [], 0.2).course.temps;
    expect(tempAt(warm, input.nowH + 48) - tempAt(input.course.temps, input.nowH + 48)).toBeCloseTo(WARMER_C, 9);
    expect(tempAt(warm, 50)).toBeCloseTo(tempAt(input.course.temps, 50), 9);
  });

  it('takes the mean of the last days for what is ahead, a nearer day for more, and forgets where the vessel was moved', () => {
    const at = (hour: number, tempC: number): Happening => [hour, { kind: 'reading', payload: { sg: 1.1 - hour / 5000, tempC } }];
    const ahead = (...temps: Happening[]): number => tempAt(inputAfter(...temps).course.temps, 2000);
    expect(ahead(at(121, 21), at(241, 19))).toBeCloseTo((2 * 19 + 21) / 3, 9);
    expect(ahead(at(121, 21), at(241, 17))).toBe(17);
    expect(ahead(at(1, 21), at(1 + 24 * 15, 19))).toBe(19);
    expect(tempAt(inputAfter(at(121, 21), at(241, 19)).course.temps, 240)).toBeCloseTo(19, 9);
  });

  it('lets an old reading that does not fit pull less than a new one', async () => {
    const steady = [reading(48, 1.098), reading(96, 1.085), reading(144, 1.072), reading(192, 1.06)];
    const endOf = async (...readings: Happening[]): Promise<number> => (await forecast(inputAfter(fed, ...readings)))!.endH!.value;
    const plain = await endOf(...steady);
    const [old, young] = [await endOf(reading(48, 1.09), ...steady.slice(1)), await endOf(...steady.slice(0, 3), reading(192, 1.052))];
    expect(Math.abs(old - plain)).toBeLessThan(Math.abs(young - plain));
  });

  it('is drawn as gravities from its now on, which fall and keep their order', async () => {
    const ledger = exampleBatch('allround', fed, ...told);
    const input = inputAfter(fed, ...told);
    const found = (await forecast(input))!;
    const fan = gravityFan(found, input, ledger);
    for (const { hour, middle } of found.bands) {
      const drawn = fan.find(({ at }) => at === ledger.history.pitch!.at + hour * HOUR_MS);
      if (drawn !== undefined) expect(Math.abs(drawn.middle - sgAtShare(ledger, 1 - middle / input.course.sugarGPerL))).toBeLessThan(5e-5);
    }
    expect(fan[0]!.at).toBeGreaterThanOrEqual(ledger.history.lastEventAt!);
    expect(fan[0]!.middle).toBeCloseTo(1.04, 2);
    for (const { low, middle, high } of fan) expect(low <= middle && middle <= high).toBe(true);
    expect(fan.at(-1)!.middle).toBeLessThan(1.02);
    expect(fan.at(-1)!.middle).toBeCloseTo(sgAtShare(ledger, 1 - found.finalSugarGPerL.value / input.course.sugarGPerL), 2);
  });

  it('ends where it is told to, and reports how far it is', async () => {
    const shares: number[] = [];
    let turns = 0;
    const stopped = await forecast(inputAfter(fed, ...told), {
      report: (share) => shares.push(share),
      mayGoOn: () => Promise.resolve(++turns < 3),
    });
    expect(stopped).toBeNull();
    expect(shares).toHaveLength(3);
    expect(shares.toSorted((a, b) => a - b)).toEqual(shares);
  });

  it('knows nothing of a must without yeast', () => {
    expect(forecastInputOf(fold([]), { now: 0, horizonDays: 10, members: 10, seed: 1, roomTempC: 20, organicCredit: 1 })).toBeNull();
  });
});
