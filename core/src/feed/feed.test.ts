import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eventsAt } from '../ledger/build.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { NUTRIENTS, fold, viewOf } from '../ledger/index.ts';
import type { EventContent } from '../ledger/index.ts';
import { extractGPerLFromSg } from '../liquid/index.ts';
import { referenceCases } from '../reference/cases.ts';
import type { NitrogenDemand } from '../yeast/index.ts';
import {
  nitrogenBars,
  DAP_CAP_G_PER_L,
  dapWithinCap,
  feedingNow,
  grapeMustNitrogenMgPerL,
  nitrogenNeedMgPerL,
  nutrientG,
  planFeeding,
} from './index.ts';

const START = Date.UTC(2026, 2, 1, 18);
const HOUR = 3_600_000;
const practice = { organicCredit: 1, dapShare: 0.5, dapCapGPerL: DAP_CAP_G_PER_L.us };
const rows: [number, EventContent][] = [
  [0, { kind: 'honey', payload: { name: 'heather', massG: 2050, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } }],
  [0, { kind: 'water', payload: { volumeL: 4.6 } }],
  [1, { kind: 'yeast', payload: { yeastId: 'strong', name: 'strong', massG: 6 } }],
];
const at = (...more: [number, EventContent][]) => fold(eventsAt(START, [...rows, ...more]));

describe('nitrogen arithmetic agrees with the reference values', () => {
  const compute: Record<string, (i: Record<string, number>) => unknown> = {
    yan_need: (i) =>
      nitrogenNeedMgPerL(Math.max(0, extractGPerLFromSg(i['sg']!)), i['demand'] as unknown as NitrogenDemand, i['offset'] ?? 0),
    yan_bisson_butzke: (i) => grapeMustNitrogenMgPerL(i['brix']!),
    nutrient_grams: (i) =>
      nutrientG(i['target_mg_n_l']!, i['volume_l']!, { complex_blend: 0.1, dap: NUTRIENTS.dap.ammoniumN }[i['source'] as unknown as 'dap']),
    dap_with_cap: (i) => {
      const capped = dapWithinCap(i['target_mg_n_l']!, i['volume_l']!, NUTRIENTS.dap.ammoniumN, DAP_CAP_G_PER_L.us);
      return { grams: capped.grams, n_mg_l: capped.nMgPerL, missing_mg_l: capped.missingMgPerL, capped: capped.capped };
    },
  };
  for (const [name, run] of Object.entries(compute)) {
    it.each(referenceCases(name).map((c) => [c.id, c] as const))(`${name}: %s`, (_id, c) => {
      expect(c.differences(() => run(c.inputs))).toEqual([]);
    });
  }

  it('says nothing about grape musts outside the table', () => {
    expect(grapeMustNitrogenMgPerL(20)).toBeNull();
    expect(grapeMustNitrogenMgPerL(28)).toBeNull();
  });
});

describe('the clock plan', () => {
  it('meets the need, keeps DAP under its cap and gives none at the pitch or in the last dose', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 400, noNaN: true }),
        fc.constantFrom<NitrogenDemand>('low', 'medium', 'high'),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(1, 3),
        (sugar, demand, dapShare, organicCredit) => {
          const plan = planFeeding(sugar, demand, { organicCredit, dapShare, dapCapGPerL: DAP_CAP_G_PER_L.us });
          const dap = plan.doses.reduce((sum, dose) => sum + dose.dapGPerL, 0);
          expect(dap).toBeLessThanOrEqual(DAP_CAP_G_PER_L.us + 1e-9);
          expect(plan.doses.at(-1)!.dapGPerL).toBe(0);
          expect(Math.min(...plan.doses.map((dose) => dose.clockH))).toBeGreaterThanOrEqual(6);
          expect(plan.suppliedMgPerL + plan.creditMgPerL).toBeGreaterThanOrEqual(plan.needMgPerL - 1e-6);
        },
      ),
      { numRuns: 100, seed: 5 },
    );
  });

  const plan = planFeeding(280, 'high', practice);

  it('gives half when half the volume is gone', () => {
    const half = viewOf(at())!.volumeL / 2;
    const whole = feedingNow(plan, at(), START + 30 * HOUR)[2]!;
    const left = feedingNow(plan, at([20, { kind: 'removal', payload: { volumeL: half, reason: 'foam' } }]), START + 30 * HOUR)[2]!;
    expect(left.organicG).toBeCloseTo(whole.organicG / 2, 9);
  });

  it('keeps what was given and calls what is due', () => {
    const ledger = at([25, { kind: 'nutrient', payload: { source: 'organic', massG: 7.7, dose: 1 } }]);
    const doses = feedingNow(plan, ledger, START + 60 * HOUR);
    expect(doses.map((dose) => dose.state)).toEqual(['given', 'due', 'ahead', 'ahead']);
    expect(doses[0]!.organicG).toBe(7.7);
  });

  it('brings doses forward once a third of the sugar is gone, and ends them at the half', () => {
    const third = at([40, { kind: 'reading', payload: { sg: 1.061 } }]);
    expect(feedingNow(plan, third, START + 41 * HOUR).map((dose) => dose.state)).toEqual(['due', 'due', 'due', 'due']);
    const half = at([40, { kind: 'reading', payload: { sg: 1.02 } }]);
    expect(feedingNow(plan, half, START + 41 * HOUR).every((dose) => dose.state === 'too late')).toBe(true);
  });

  it('drops DAP above 9 % vol and says how much', () => {
    const ledger = at([60, { kind: 'reading', payload: { sg: 1.032 } }]);
    expect(viewOf(ledger)!.abv).toBeGreaterThan(9);
    const dose = feedingNow(plan, ledger, START + 61 * HOUR)[0]!;
    expect(dose.dapG).toBe(0);
    expect(dose.dapDroppedG).toBeGreaterThan(0);
  });

  it('takes what was given beyond the plan off the doses left, and never passes the need', () => {
    const ledger = at([25, { kind: 'nutrient', payload: { source: 'organic', massG: 22, dose: 1 } }]);
    const volumeL = viewOf(ledger)!.volumeL;
    const left = feedingNow(plan, ledger, START + 30 * HOUR).filter((dose) => dose.state !== 'given');
    const leftMg = left.reduce(
      (sum, dose) => sum + 1000 * (dose.organicG * NUTRIENTS.organic.aminoN + dose.dapG * NUTRIENTS.dap.ammoniumN),
      0,
    );
    expect(left[0]!.organicG).toBeLessThan(plan.doses[1]!.organicGPerL * volumeL);
    expect((leftMg + ledger.aminoNMg) / volumeL + plan.creditMgPerL).toBeCloseTo(plan.needMgPerL, 6);
  });

  it('counts DAP already given, by whatever hand, against the cap', () => {
    const ledger = at([10, { kind: 'nutrient', payload: { source: 'dap', massG: 5 } }]);
    const doses = feedingNow(plan, ledger, START + 12 * HOUR);
    const dapG = doses.reduce((sum, dose) => sum + dose.dapG, 0) + 5;
    expect(dapG).toBeLessThanOrEqual(DAP_CAP_G_PER_L.us * viewOf(ledger)!.volumeL + 1e-9);
  });

  it('draws the doses end to end up to the need, also after a loss has taken its part of what was given', () => {
    const ledger = at(
      [25, { kind: 'nutrient', payload: { source: 'organic', massG: 12, dose: 1 } }],
      [25, { kind: 'nutrient', payload: { source: 'dap', massG: 2, dose: 1 } }],
      [26, { kind: 'removal', payload: { volumeL: 1, reason: 'foam' } }],
    );
    const bars = nitrogenBars(plan, feedingNow(plan, ledger, START + 30 * HOUR), ledger);
    bars.slice(1).forEach((bar, i) => {
      expect(bar.fromMgPerL).toBe(bars[i]!.toMgPerL);
    });
    expect(bars.at(-1)!.toMgPerL).toBeLessThanOrEqual(plan.needMgPerL + 1e-6);
    const given = bars
      .filter((bar) => bar.state === 'given' && bar.kind !== 'honey')
      .reduce((sum, bar) => sum + bar.toMgPerL - bar.fromMgPerL, 0);
    expect(given).toBeCloseTo(viewOf(ledger)!.nitrogenMgPerL, 6);
  });
});
