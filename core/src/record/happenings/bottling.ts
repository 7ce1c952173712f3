import { Refusal, bottleMl, choice, flag, id, list, maybe, nameShape, number, record, say, text, whole } from '../../quantities/index.ts';
import type { Fit, Immutable } from '../../quantities/index.ts';
import { noMasses } from '../../masses/index.ts';
import { VOLUME_SLACK, requireVolume } from '../believed.ts';
import { happening } from '../happening.ts';
import type { Taken } from '../happening.ts';
import { pourIn, removeFraction } from '../inVessel.ts';
import { CLOSURE_IDS, CONTAINER_IDS, PRIMING_IDS } from '../kinds.ts';
import type { BottleRow, Priming, PrimingId } from '../kinds.ts';
import { copyOf } from '../ledger.ts';
import type { Folding } from '../ledger.ts';
import { mixedOf } from '../view.ts';

/** Sugar in a gram of each; of honey and juice whoever pours it says how much. */
const SUGAR_SHARE: Partial<Record<PrimingId, number>> = { sucrose: 1, 'dextrose anhydrous': 1, 'dextrose monohydrate': 0.909 };

const primeShape = record(
  {
    what: choice(...PRIMING_IDS),
    name: nameShape,
    massG: number(0, 20_000, [0, 200]),
    fermentable: maybe(number(0.01, 1, [0.1, 0.8])),
    lotId: maybe(id),
    /** Stirred into all of it as a syrup, or put into each bottle. */
    where: choice('bulk', 'each'),
    /** Water that the syrup was made with. */
    waterL: maybe(number(0, 20, [0, 0.3])),
    /** Measured after the racking, and whether a second time. */
    volumeL: number(0.05, 5000, [0.5, 20]),
    again: maybe(flag),
    /** The warmest that it was since it ended. */
    warmestC: number(0, 32),
  },
  {
    holds: ({ what, fermentable }) => SUGAR_SHARE[what] !== undefined || fermentable !== undefined,
    says: 'Honey and juice prime by their sugar: say how much of a gram ferments, or how moist the honey is.',
  },
);
type Prime = Fit<typeof primeShape>;

/** What a bottle's maker says that it bears, volumes of CO2. */
export const ratedShape = number(0.5, 15, [2, 8], {
  whenLow: 'A bottle that bears no gas is a wine bottle: choose that kind, or give what its maker says, in volumes.',
  whenHigh: 'No bottle bears more than 15 volumes; its maker’s word may be in bar.',
});

const rowShape = record(
  {
    sizeMl: number(20, 100_000, [250, 750]),
    count: whole(0, 5000, [0, 6]),
    kind: maybe(choice(...CONTAINER_IDS)),
    closure: maybe(choice(...CLOSURE_IDS)),
    ratedVolumes: maybe(ratedShape),
    primeG: maybe(number(0, 200, [0, 6])),
    lotId: maybe(id),
    closureLotId: maybe(id),
  },
  {
    holds: ({ kind, sizeMl }) => kind === 'keg' || sizeMl <= 20_000,
    says: 'No bottle holds more than 20 L; a larger one is a keg.',
  },
);

const litersIn = (bottles: readonly Immutable<BottleRow>[]): number =>
  bottles.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0);

const sugarShareOf = ({ what, fermentable }: Immutable<Prime>): number => SUGAR_SHARE[what] ?? fermentable ?? 0;

/** Stirs the priming sugar and its water into all that is there. */
function stirIn({ liquid, history }: Folding, prime: Immutable<Prime>, volumeL: number): void {
  const waterG = 1000 * (prime.waterL ?? 0);
  const sugarG = prime.massG * sugarShareOf(prime);
  pourIn(liquid, { ...noMasses(), sugarG, waterG: prime.massG - sugarG + waterG }, prime.massG + waterG);
  const { what, fermentable } = prime;
  history.primings.push({ what, fermentable, gPerL: prime.massG / volumeL } satisfies Priming);
}

/** As low again as before its sugar: what an earlier session left of that has fermented, and its gas went through the airlock. */
const EATEN_WITHIN_SG = 0.0005;
function forgetEatenSugar({ history }: Folding): void {
  const before = history.bottled?.fillings.at(-1);
  const unprimedSg = before === undefined ? undefined : mixedOf(before.mead)?.sg;
  if (before === undefined || unprimedSg === undefined) return;
  const isEaten = history.readings.some(
    ({ at, sg, verdict }) => at > before.at && verdict === 'follows' && sg <= unprimedSg + EATEN_WITHIN_SG,
  );
  if (isEaten) history.primings = [];
}

/** What was primed, L: no more than was measured, than went into bottles and is said to be left, and than can have been there. */
const primedL = (
  { bottles, leftL }: { bottles: readonly Immutable<BottleRow>[]; leftL?: number | undefined },
  { volumeL, waterL = 0 }: Immutable<Prime>,
  thereL: number,
): number => Math.min(volumeL, litersIn(bottles) + (leftL ?? 0), thereL * (1 + VOLUME_SLACK) + waterL) || volumeL;

/** What went into each bottle may differ from all of it by this share: a scale's steps, a piece left over (our estimate). */
const EACH_SLACK = 0.1;

/** @throws Refusal where what is in each bottle is not what went in by all */
function requireEach(bottles: readonly Immutable<BottleRow>[], prime: Immutable<Prime> | undefined): void {
  const eachG = bottles.reduce((sum, { count, primeG = 0 }) => sum + count * primeG, 0);
  const allG = prime?.where === 'each' ? prime.massG : 0;
  if (Math.abs(eachG - allG) > EACH_SLACK * allG + 0.5)
    throw new Refusal(
      say`The bottles have ${{ kind: 'massG', value: eachG }} of sugar among them, and ${{ kind: 'massG', value: allG }} went in: say how much is in each.`,
      'bottles',
    );
}

/** Mead closed into bottles or a keg, with the sugar that is to make its gas. */
export const bottling = happening({
  shape: record({
    bottles: list(rowShape, 1, 24),
    prime: maybe(primeShape),
    /** What did not find a bottle. */
    leftL: maybe(number(0, 5000, [0, 1])),
    /** Labels, gas and what else this bottling cost. */
    otherCost: maybe(number(0, 1_000_000, [0, 20])),
    /** It stays in its vessel, for another day. */
    stays: maybe(flag),
    /** The question that was asked before, to which its maker said yes. */
    word: maybe(text(2000)),
  }),
  believe: (ledger, { bottles, prime }) => {
    if (litersIn(bottles) <= 0) throw new Refusal('No bottle is counted; say how many were filled.', 'bottles');
    requireVolume(litersIn(bottles), ledger, 'bottled', VOLUME_SLACK);
    requireEach(bottles, prime);
  },
  apply: (ledger, { bottles, prime, leftL, stays, otherCost, word }, { id: eventId, at }) => {
    const { bottled } = ledger.history;
    forgetEatenSugar(ledger);
    const mead = copyOf({ ...ledger, history: { ...ledger.history, bottled: null } });
    if (prime?.where === 'bulk') stirIn(ledger, prime, primedL({ bottles, leftL }, prime, mixedOf(ledger)?.volumeL ?? 0));
    const filling = {
      eventId,
      at,
      bottles: bottles.map((each) => ({ ...each })),
      primings: ledger.history.primings.map((each) => ({ ...each })),
      each: prime?.where === 'each' ? { what: prime.what, fermentable: prime.fermentable } : null,
      warmestC: prime?.warmestC ?? null,
      measured: prime === undefined ? null : { volumeL: prime.volumeL, again: prime.again === true },
      otherCost: otherCost ?? 0,
      word: word ?? null,
      mead,
    };
    const before = mixedOf(ledger);
    ledger.history.bottled = {
      at,
      bottles: [...(bottled?.bottles ?? []), ...filling.bottles.map((each) => ({ ...each }))],
      stays: stays === true,
      fillings: [...(bottled?.fillings ?? []), filling],
    };
    if (before !== null) removeFraction(ledger.liquid, litersIn(bottles) / before.volumeL);
  },
  says: ({ bottles, prime }) => [
    'bottled ',
    ...bottles
      .filter(({ count }) => count > 0)
      .flatMap(({ count, sizeMl }, i) => say`${i === 0 ? '' : ', '}${String(count)} × ${bottleMl(sizeMl)}`),
    ...(prime === undefined ? [] : say`, primed with ${{ kind: 'massG', value: prime.massG }} of ${prime.name}`),
  ],
  corrects: [],
  takes: ({ bottles, prime }): Taken[] => [
    ...bottles.flatMap(({ lotId, closureLotId, count }) => [
      { lotId, massG: count },
      { lotId: closureLotId, massG: count },
    ]),
    ...(prime === undefined ? [] : [{ lotId: prime.lotId, massG: prime.massG }]),
  ],
});
