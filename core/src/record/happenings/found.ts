import { MEAN_HONEY } from '../../ingredients/index.ts';
import { WATER_20_KG_PER_M3, ethanolGPerL, liquidFromMeasured, residualExtractGPerL } from '../../liquid/index.ts';
import { afterSugar } from '../../masses/index.ts';
import { DAY_MS, Refusal, SG_RANGE, abvPct, gravity, maybe, number, record, say, text, volumeL, whole } from '../../quantities/index.ts';
import { yeastIdShape } from '../../yeast/index.ts';
import { ASSUMPTION_RANGES, CENTRAL_ASSUMPTIONS, guessed } from '../assumptions.ts';
import type { Assumptions } from '../assumptions.ts';
import { happening } from '../happening.ts';
import { pourIn } from '../inVessel.ts';

const MOST_ABV = 20;
/** % vol that a mead of unknown strength may have either way is at most this. */
const WIDEST_ABV = 10;

/**
 * A mead whose past nobody wrote down: how much there is, what it reads, and about how strong it is. What of its extract is still
 * sugar follows from what honey and yeast leave; the doubt of each is kept.
 */
export const found = happening({
  shape: record({
    volumeL: number(0.05, 2000, [1, 20]),
    /** 10–90 % range, ± as a share of it. */
    volumeSpread: number(0, 0.5),
    sg: number(SG_RANGE.low, SG_RANGE.high, [0.99, 1.05]),
    abv: number(0, MOST_ABV, [6, 12]),
    /** 10–90 % range, ± in % vol. */
    abvSpread: number(0, WIDEST_ABV),
    ageDays: whole(0, 36_500, [0, 400]),
    yeastId: yeastIdShape,
    /** What its maker goes by: a label, a taste, a potential that was read. */
    knows: maybe(text(300)),
  }),
  believe: (ledger, { sg, abv, volumeL: liters }) => {
    if (ledger.liquid.pouredG > 0) throw new Refusal('This vessel is not empty: a mead without a past begins a batch of its own.');
    liquidFromMeasured(liters, sg, abv);
  },
  apply: (ledger, { volumeL: liters, volumeSpread, sg, abv, abvSpread, ageDays, yeastId, knows }, { id, at, assumptions }) => {
    const thereL = guessed(assumptions, { value: liters, low: liters * (1 - volumeSpread), high: liters * (1 + volumeSpread) });
    const [extractG, ethanolG] = [Math.max(0, residualExtractGPerL(sg, abv)) * thereL, ethanolGPerL(abv) * thereL];
    const waterG = Math.max(0, sg * WATER_20_KG_PER_M3 * thereL - extractG - ethanolG);
    const { eatenG, sugarG } = partsOf(extractG, ethanolG, assumptions);
    const sugarBasisG = sugarG + eatenG;
    const masses = { waterG, sugarG, unfermentableG: extractG - sugarG, ethanolG, insolubleG: 0 };
    pourIn(ledger.liquid, masses, waterG + extractG + ethanolG);
    ledger.liquid.sugarBasisG += eatenG;
    const must = afterSugar(masses, -eatenG, assumptions);
    const pitchedAt = at - ageDays * DAY_MS;
    ledger.history.pitch ??= {
      at: pitchedAt,
      yeastId,
      name: 'a yeast nobody wrote down',
      massG: 0,
      volumeL: must.volumeL,
      sg: must.sg,
      sugarGPerL: sugarBasisG / must.volumeL,
      broughtNMgPerL: 0,
    };
    ledger.history.found = { at, knows: knows ?? '' };
    ledger.history.doubt = doubtBy(sg, abv, abvSpread);
    ledger.history.readings.push({
      eventId: id,
      at,
      instrument: 'hydrometer',
      readSg: sg,
      tempC: null,
      sg,
      plusMinus: ASSUMPTION_RANGES.readingBias.high,
      expectedSg: sg,
      verdict: 'follows',
      abv,
      shareGone: shareOf(eatenG, sugarBasisG),
    });
  },
  says: (payload) =>
    say`found as it stands: about ${volumeL(payload.volumeL)} at ${gravity(payload.sg)}, ${abvPct(payload.abv)} give or take ${abvPct(payload.abvSpread)}`,
  corrects: [
    { name: 'volumeL', label: 'how much', kind: 'volume' },
    { name: 'sg', label: 'gravity', kind: 'sg' },
    { name: 'abv', label: 'strength', kind: 'abv', limits: { low: 0, high: MOST_ABV } },
    { name: 'abvSpread', label: 'give or take', kind: 'abv', limits: { low: 0, high: WIDEST_ABV } },
    { name: 'ageDays', label: 'days old', kind: 'count' },
    { name: 'knows', label: 'what it goes by', kind: 'text' },
  ],
});

const shareOf = (partG: number, wholeG: number): number => (wholeG > 0 ? partG / wholeG : 0);

/** What yeast ate for so much alcohol, and what of the extract is still sugar: the rest is what so much honey and yeast leave. */
function partsOf(extractG: number, ethanolG: number, { ethanolYield, glycerolYield, unfermentableScale }: Assumptions) {
  const eatenG = ethanolG / ethanolYield / (1 - glycerolYield);
  const otherPerSugar = (MEAN_HONEY.unfermentable * unfermentableScale) / (1 - MEAN_HONEY.moisture - MEAN_HONEY.unfermentable);
  const sugarG = Math.max(0, (extractG - eatenG * (glycerolYield + otherPerSugar)) / (1 + otherPerSugar));
  return { eatenG, sugarG };
}

type Sides = [below: number, above: number];

/** What a strength that is off by its doubt does to the rest: the gravity is read, so extract and alcohol move together. */
function doubtBy(sg: number, abv: number, abvSpread: number) {
  const at = (strength: number) => {
    const extractG = Math.max(0, residualExtractGPerL(sg, strength));
    const { eatenG, sugarG } = partsOf(extractG, ethanolGPerL(strength), CENTRAL_ASSUMPTIONS);
    return { abv: strength, sugarGPerL: sugarG, shareGone: shareOf(eatenG, eatenG + sugarG) };
  };
  const [low, mid, high] = [at(Math.max(0, abv - abvSpread)), at(abv), at(Math.min(MOST_ABV, abv + abvSpread))];
  const sides = (name: keyof typeof mid): Sides => {
    const ends = [low[name] - mid[name], 0, high[name] - mid[name]];
    return [-Math.min(...ends), Math.max(...ends)];
  };
  const sg0: Sides = [0, 0];
  return { sg: sg0, abv: sides('abv'), sugarGPerL: sides('sugarGPerL'), shareGone: sides('shareGone') };
}
