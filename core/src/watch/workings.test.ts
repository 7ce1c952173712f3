import { describe, expect, it } from 'vitest';
import { feedingPlanOf, feedingWorkings } from '../feed/index.ts';
import { eventsAt } from '../record/build.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { fold, ledgerWorking } from '../record/index.ts';
import type { LedgerFigure } from '../record/index.ts';
import { phKnown, planStabilizing, sorbateWorking, stabilizeWorking } from '../stabilize/index.ts';
import { sweetenWorking } from '../sweeten/index.ts';
import { honeyComposition } from '../ingredients/index.ts';
import { plainly } from '../quantities/index.ts';
import type { Working } from '../quantities/index.ts';
import { endWorking } from '../glass/index.ts';

const ledger = fold(
  eventsAt(Date.UTC(2026, 1, 1), [
    [
      0,
      { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
    ],
    [0, { kind: 'water', payload: { volumeL: 4 } }],
    [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 3 } }],
    [200, { kind: 'reading', payload: { sg: 1.02 } }],
  ]),
);
const honey = { moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable };
const input = {
  volumeL: 4.5,
  abv: 12,
  known: phKnown(fold([]), 3.4, null),
  molecularMgPerL: 0.8,
  salt: 'potassium',
  region: 'eu',
  so2MgPerL: 0,
  freeThereMgPerL: 0,
} as const;
const stabilizing = planStabilizing(input);
const feeding = feedingPlanOf(ledger, {
  school: 'clock',
  ownHours: [],
  setDoses: [],
  organicCredit: 3,
  ammoniumShare: 0.5,
  dapCapGPerL: 1,
  organic: { source: 'organic' },
  ammonium: { source: 'dap' },
})!;
const feedings = feedingWorkings(feeding, ledger.history.pitch)!;
const value = (working: Working, name: string): number =>
  Number.parseFloat(plainly(working.inputs.find((given) => given.name === name)!.shown));

describe('every figure can show how it came about', () => {
  const all: [string, Working][] = [
    ...(['sg', 'abv', 'sugarGPerL', 'volumeL', 'shareGone'] as LedgerFigure[]).map((figure): [string, Working] => [
      figure,
      ledgerWorking(ledger, figure),
    ]),
    ['end', endWorking(ledger)!],
    ['sulfite', stabilizeWorking(input, stabilizing)],
    ['sorbate', sorbateWorking(input, stabilizing)],
    [
      'honey',
      sweetenWorking(ledger.liquid, [{ massG: 100, composition: honeyComposition(honey.moisture, honey.unfermentable) }], ['linden honey']),
    ],
    ['need', feedings.need],
    ['supply', feedings.supply],
    ['own nitrogen', feedings.honey],
  ];

  it.each(all)('%s: a formula, what was put in, a source', (_name, working) => {
    expect(working.formula).not.toBe('');
    expect(working.source).not.toBe('');
    expect(working.inputs.length).toBeGreaterThan(0);
    for (const { name, shown } of working.inputs) expect(`${name}: ${plainly(shown)}`).not.toMatch(/NaN|undefined|Infinity/);
  });

  it('with the numbers that give the figure', () => {
    const sugar = value(feedings.need, 'sugar at the pitch');
    expect(sugar * value(feedings.need, 'a medium-demand yeast')).toBeCloseTo(feeding.needMgPerL, -1);
    const sorbate = sorbateWorking(input, stabilizing);
    expect((value(sorbate, 'sorbic acid') * value(sorbate, 'volume')) / 0.746 / 1000).toBeCloseTo(stabilizing.sorbateG, 2);
    const sulfite = stabilizeWorking(input, stabilizing);
    expect((value(sulfite, 'free SO₂') / 0.7 / 0.5763 / 1000) * 4.5).toBeCloseTo(stabilizing.sulfiteG.value, 2);
  });

  it('and the school where makers differ', () => {
    expect(feedings.supply.school).toBe('organic nitrogen counted 3 times');
    expect(endWorking(fold([]))).toBeNull();
    expect(feedingWorkings(feeding, null)).toBeNull();
  });
});
