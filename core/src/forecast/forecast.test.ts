import { describe, expect, it } from 'vitest';
import { forecast, forecastInputOf } from '../course/index.ts';
import type { ForecastInput } from '../course/index.ts';
import { tempAt } from '../course/model.ts';
import { sgAtShare, viewOf } from '../record/index.ts';
import { exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { honeyComposition } from '../ingredients/index.ts';
import { HOUR_MS } from '../quantities/index.ts';
import { WARMER_C, askWhatIf, gravityAlong, gravityFan } from './index.ts';
import type { WhatIf } from './index.ts';

describe('what may be asked of a course', () => {
  const reading = (hour: number, sg: number): Happening => [hour, { kind: 'reading', payload: { sg, tempC: 20 } }];
  const inputAfter = (...more: Happening[]): ForecastInput => {
    const ledger = exampleBatch('allround', ...more);
    const wish = { now: ledger.history.lastEventAt!, horizonDays: 60, members: 80, seed: 3, roomTempC: 20, organicCredit: 1 };
    return forecastInputOf(ledger, wish)!;
  };
  const fed: Happening = [24, { kind: 'nutrient', payload: { source: 'dap', massG: 5 } }];
  const told = [reading(48, 1.092), reading(96, 1.06), reading(144, 1.04)];

  it('is asked what if: warmer, fed, left alone; and a dose past half of the sugar changes nothing', () => {
    const input = inputAfter(fed, ...told);
    const { setting } = inputAfter(fed, ...told);
    const coming = { hour: input.nowH + 24, scale: 1, sugarGPerL: 0, nitrogenMgPerL: 40 };
    const planned = { ...input, setting: { ...setting, pulses: [...setting.pulses, coming] } };
    const pulses = (what: WhatIf, shareGone = 0.2) => askWhatIf(planned, what, shareGone).setting.pulses.length - setting.pulses.length;
    expect([pulses('planned'), pulses('fed now'), pulses('nothing')]).toEqual([1, 2, 0]);
    expect(pulses('fed now', 0.5)).toBe(1);
    const warm = askWhatIf(input, 'warmer', 0.2).setting.temps;
    expect(tempAt(warm, input.nowH + 48) - tempAt(input.setting.temps, input.nowH + 48)).toBeCloseTo(WARMER_C, 9);
    expect(tempAt(warm, 50)).toBeCloseTo(tempAt(input.setting.temps, 50), 9);
  });

  it('is drawn as gravities from its now on, which fall and keep their order', async () => {
    const ledger = exampleBatch('allround', fed, ...told);
    const input = inputAfter(fed, ...told);
    const found = (await forecast(input))!;
    const fan = gravityFan(found, input, ledger);
    for (const { hour, middle } of found.bands) {
      const drawn = fan.find(({ at }) => at === ledger.history.pitch!.at + hour * HOUR_MS);
      if (drawn !== undefined) expect(Math.abs(drawn.middle - sgAtShare(ledger, 1 - middle / input.setting.sugarGPerL))).toBeLessThan(5e-5);
    }
    expect(fan[0]!.at).toBeGreaterThanOrEqual(ledger.history.lastEventAt!);
    expect(fan[0]!.middle).toBeCloseTo(1.04, 2);
    for (const { low, middle, high } of fan) expect(low <= middle && middle <= high).toBe(true);
    expect(fan.at(-1)!.middle).toBeLessThan(1.02);
    expect(fan.at(-1)!.middle).toBeCloseTo(sgAtShare(ledger, 1 - found.finalSugarGPerL.value / input.setting.sugarGPerL), 2);
  });

  it('shows what is announced from its hour on: honey lifts the gravity, water thins it', () => {
    const ledger = exampleBatch('allround', fed, ...told);
    const input = inputAfter(fed, ...told);
    const at = ledger.history.lastEventAt! + 24 * HOUR_MS;
    const honey = { at, massG: 500, composition: honeyComposition(0.172, 0.032) };
    const water = { at, massG: 500, composition: { ...honey.composition, sugar: 0, unfermentable: 0 } };
    const [before, after] = [input.nowH + 12, input.nowH + 36];
    const left = input.readings.at(-1)!.sugarGPerL;
    const plain = gravityAlong(ledger, input)(after, left);
    expect(gravityAlong(ledger, input, [honey])(before, left)).toBeCloseTo(plain, 9);
    // As if it were poured at once: the same gravity as a ledger that has it.
    const poured = exampleBatch('allround', fed, ...told, [
      145,
      { kind: 'honey', payload: { name: 'more', massG: 500, moisture: 0.172, unfermentable: 0.032 } },
    ]);
    const wish = { now: at, horizonDays: 60, members: 1, seed: 1, roomTempC: 20, organicCredit: 1 };
    const lifted = forecastInputOf(ledger, { ...wish, announced: [honey] })!;
    const { sugarG } = poured.liquid;
    const { volumeL, sg } = viewOf(poured)!;
    expect(gravityAlong(ledger, lifted, [honey])(after, sugarG / volumeL)).toBeCloseTo(sg, 2);
    const thinned = forecastInputOf(ledger, { ...wish, announced: [water] })!;
    expect(gravityAlong(ledger, thinned, [water])(after, 0.9 * left)).toBeLessThan(plain);
  });
});
