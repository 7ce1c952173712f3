import { propagate, within, say, massG as grams } from '../quantities/index.ts';
import type { Ranged, Working } from '../quantities/index.ts';
import { ASSUMPTION_NAMES, ASSUMPTION_RANGES, assumptionInputs, assumptionsFrom } from './assumptions.ts';
import type { BatchEvent } from './events.ts';
import { fold } from './fold.ts';
import type { Assumptions } from './assumptions.ts';
import { othersPoured, viewOf } from './view.ts';
import type { DoubtedFigure, Ledger } from './ledger.ts';

export type LedgerFigure = 'sg' | 'abv' | 'sugarGPerL' | 'volumeL' | 'shareGone';

/** The figures of a batch with their ranges, or null for an empty vessel. The events are folded again for each assumption's ends. */
export function ledgerFigures(events: readonly BatchEvent[]): Record<LedgerFigure, Ranged> | null {
  const now = fold(events);
  if (viewOf(now) === null) return null;
  /** The last gravity is as sure as the instrument that read it. */
  const last = now.history.readings.findLast(
    ({ verdict, at }) => verdict === 'follows' && now.history.pitch !== null && at >= now.history.pitch.at,
  );
  const inputs = assumptionInputs(notAssumed(now)).map((range, i) =>
    ASSUMPTION_NAMES[i] === 'readingBias' && last !== undefined ? within(0, last.plusMinus) : range,
  );
  const figures = propagate<LedgerFigure>(inputs, (values) => {
    const view = viewOf(fold(events, assumptionsFrom(values)));
    return {
      sg: view?.sg ?? 1,
      abv: view?.abv ?? 0,
      sugarGPerL: view?.sugarGPerL ?? 0,
      volumeL: view?.volumeL ?? 0,
      shareGone: view?.shareGone ?? 0,
    };
  });
  /** What propagation reaches straight on lies below none at all; nobody has less sugar than that. */
  const notLess = ({ value, low, high }: Ranged): Ranged => ({ value, low: Math.max(0, low), high });
  const { sg, abv, sugarGPerL, volumeL, shareGone } = figures;
  const { doubt } = now.history;
  const born = (figure: Ranged, name: DoubtedFigure): Ranged => (doubt === null ? figure : widened(figure, doubt[name]));
  return {
    /** A gravity read since it was split off is as sure as its instrument. */
    sg: now.history.transfers.some(({ direction, at }) => direction === 'born' && (last?.at ?? 0) > at) ? sg : born(sg, 'sg'),
    abv: notLess(born(abv, 'abv')),
    sugarGPerL: notLess(born(sugarGPerL, 'sugarGPerL')),
    volumeL,
    shareGone: born(shareGone, 'shareGone'),
  };
}

/** What nothing in this record rests on: one fold less for each. */
function notAssumed(ledger: Ledger): (keyof Assumptions)[] {
  const isGuessed =
    ledger.history.found !== null || ledger.history.strainedAt !== null || ledger.history.losses.some(({ why }) => why === 'foam');
  return [...(othersPoured(ledger).length === 0 ? (['sugarShift'] as const) : []), ...(isGuessed ? [] : (['guessShift'] as const))];
}

/** Two independent doubts join as a root of squares. */
const widened = ({ value, low, high }: Ranged, [below, above]: readonly [number, number]): Ranged => ({
  value,
  low: value - Math.hypot(value - low, below),
  high: value + Math.hypot(high - value, above),
});

/** How unsure the figures of a batch are, for what is split off it. */
export function doubtOf(figures: Record<LedgerFigure, Ranged> | null): Ledger['history']['doubt'] {
  if (figures === null) return null;
  const sides = ({ value, low, high }: Ranged): [number, number] => [value - low, high - value];
  return { sg: sides(figures.sg), abv: sides(figures.abv), sugarGPerL: sides(figures.sugarGPerL), shareGone: sides(figures.shareGone) };
}

/** How the ledger's figures come about, with the masses they rest on. */
export function ledgerWorking(ledger: Ledger, figure: LedgerFigure): Working {
  const last = ledger.history.readings.findLast((reading) => reading.verdict === 'follows');
  const masses = [
    { name: 'water', shown: say`${grams(ledger.liquid.waterG)}` },
    { name: 'fermentable sugar', shown: say`${grams(ledger.liquid.sugarG)}` },
    { name: 'unfermentable extract', shown: say`${grams(ledger.liquid.unfermentableG)}` },
    { name: 'ethanol', shown: say`${grams(ledger.liquid.ethanolG)}` },
    { name: 'last gravity followed', shown: [last === undefined ? 'none yet' : last.sg.toFixed(4)] },
    { name: 'ethanol from extract', shown: say`${ASSUMPTION_RANGES.ethanolYield.value.toFixed(4)} g/g (0.475 to 0.489)` },
  ];
  const formulas: Record<LedgerFigure, string> = {
    sg: 'SG = SG of the extract alone + SG of the ethanol alone − 1, each per liter of the mixture',
    abv: 'find the extract fermented so that the mixture reads the gravity; ethanol ÷ volume ÷ 789.24 g/L',
    sugarGPerL: 'fermentable sugar ÷ volume; glycerol and honey’s other solids are not in it',
    volumeL: 'mass ÷ density of the mixture, after every addition and loss',
    shareGone: '1 − fermentable sugar there ÷ fermentable sugar that this liquid holds or held',
  };
  return {
    formula: formulas[figure],
    inputs: masses,
    source: 'Tabarié’s relation (OIV-MA-AS2-03B), sucrose density ICUMSA, ethanol density OIML R 22, yield after Balling',
  };
}
