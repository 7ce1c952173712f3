import { describe, expect, it } from 'vitest';
import { alcoholByBalance, mix } from '../liquid/index.ts';
import { eventsAt, fold, ledgerFigures, viewOf } from './index.ts';
import type { EventContent, EventOf } from './index.ts';

const HONEY = { moisture: 0.172, unfermentable: 0.032 };
const honey = (massG: number): EventContent => ({ kind: 'honey', payload: { name: 'linden', massG, ...HONEY } });
const CHERRIES = { sugar: 0.1, unfermentable: 0.038, insoluble: 0.04, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 9 };
/** kg/m³ of water and of ethanol at 20 °C; Balling's gram of ethanol from 2.0665 g of extract; 4 % of the sugar becomes other than either. */
const [WATER, ETHANOL, PER_EXTRACT, BY_PRODUCTS] = [998.2, 789.24, 1 / 2.0665, 0.04];

/** The same batch in plain arithmetic, gram by gram, beside the fold. */
function byHand() {
  const now = { water: 2000 * 0.172 + 4 * WATER, sugar: 2000 * 0.796, other: 2000 * 0.032, ethanol: 0 };
  const liters = (): number => mix({ waterG: now.water, extractG: now.sugar + now.other, ethanolG: now.ethanol }).volumeL;
  const must = mix({ waterG: now.water, extractG: now.sugar + now.other, ethanolG: 0 });
  const extractGone = alcoholByBalance(must.sg, 1.05).fermentedGPerLMust * must.volumeL;
  const eaten = extractGone / (1 - BY_PRODUCTS);
  now.sugar -= eaten;
  now.other += eaten * BY_PRODUCTS;
  now.ethanol += extractGone * PER_EXTRACT;
  now.water += 0.5 * WATER;
  const kept = 1 - 0.6 / liters();
  for (const part of ['water', 'sugar', 'other', 'ethanol'] as const) now[part] *= kept;
  now.sugar += 1000 * 0.1;
  now.other += 1000 * 0.038;
  now.water += 1000 * (1 - 0.1 - 0.038 - 0.04);
  now.sugar += 300 * 0.796;
  now.other += 300 * 0.032;
  now.water += 300 * 0.172;
  return { ...now, liters: liters() };
}

describe('a batch that is topped up, loses some, and is given fruit and honey on the way', () => {
  const ledger = fold(
    eventsAt(Date.UTC(2026, 1, 1), [
      [0, honey(2000)],
      [0, { kind: 'water', payload: { volumeL: 4 } }],
      [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 0 } }],
      [120, { kind: 'reading', payload: { sg: 1.05, tempC: 20, calibrationC: 20 } }],
      [121, { kind: 'water', payload: { volumeL: 0.5 } }],
      [122, { kind: 'removal', payload: { volumeL: 0.6, reason: 'spill' } }],
      [
        130,
        {
          kind: 'ingredient',
          payload: { name: 'cherries', family: 'fruit', makes: 'fruit', massG: 1000, composition: CHERRIES, sugarSpread: 0.1 },
        },
      ],
      [140, honey(300)],
    ]),
  );
  const expected = byHand();

  it.each([
    ['sugar', ledger.liquid.sugarG, expected.sugar],
    ['alcohol', ledger.liquid.ethanolG, expected.ethanol],
    ['water', ledger.liquid.waterG, expected.water],
    ['other solids', ledger.liquid.unfermentableG, expected.other],
  ])('holds the %s that plain arithmetic says, within a tenth of a percent', (_name, folded, plain) => {
    expect(Math.abs(folded / plain - 1)).toBeLessThan(0.001);
  });

  it('is less sure of a gravity that a float or a refractometer read', () => {
    const width = (payload: EventOf<'reading'>['payload']): number => {
      const rows: [number, EventContent][] = [
        [0, honey(2000)],
        [0, { kind: 'water', payload: { volumeL: 4 } }],
        [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 0 } }],
        [120, { kind: 'reading', payload }],
      ];
      const { sg } = ledgerFigures(eventsAt(Date.UTC(2026, 1, 1), rows))!;
      return sg.high - sg.low;
    };
    const sure = width({ sg: 1.05 });
    expect(sure).toBeCloseTo(0.004, 3);
    expect(width({ sg: 1.05, instrument: 'float' })).toBeCloseTo(0.008, 3);
    expect(width({ brix: 16 })).toBeGreaterThan(1.5 * sure);
  });

  it('has the strength and the sugar a liter that follow', () => {
    const view = viewOf(ledger)!;
    expect(view.abv).toBeCloseTo((100 * (expected.ethanol / ETHANOL)) / expected.liters, 1);
    expect(view.sugarGPerL).toBeCloseTo(expected.sugar / expected.liters, 0);
  });
});
