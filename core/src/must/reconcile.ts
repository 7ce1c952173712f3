import { emptyLedger, fold, gravityRead, ledgerFigures, mixedOf, standingEvents } from '../record/index.ts';
import type { BatchEvent, EventContent, EventOf, StandingEvent } from '../record/index.ts';
import { HYDROMETER_PLUS_MINUS, correctedSg } from '../liquid/index.ts';
import type { GravityInstrument } from '../liquid/index.ts';
import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, gravity, massG, percent, points, say, tempC, volumeL } from '../quantities/index.ts';
import type { Ranged, Sentence } from '../quantities/index.ts';

/** One way in which the must can have come to read so. */
export interface Explanation {
  id: 'water' | 'moisture' | 'jar' | 'ingredient' | 'unmixed' | 'warm' | 'instrument';
  /** What would have happened, with the size it would need. */
  sentence: Sentence;
  /** The cheapest look that would settle it. */
  check: Sentence;
  /** Relative weight, for the order only; our estimates of how often makers slip so. */
  weight: number;
  /** What settling on it writes; empty where only a check can settle it. */
  settles: EventContent[];
}

export interface Reconciliation {
  readingId: string;
  measuredSg: number;
  predicted: Ranged;
  predictedL: number;
  isInside: boolean;
  explanations: Explanation[];
}

/** How far off each thing usually is when it is off at all (our estimates but the honey's, USDA Tech. Bull. 1261). */
const USUAL_MISS = { waterShare: 0.1, waterLeastL: 0.2, moisture: 0.015, jarShare: 0.04, sampleAboveC: 12 } as const;
/** How often makers slip so, before the size is looked at (our estimates). */
const HOW_OFTEN = {
  water: 0.3,
  moisture: 0.2,
  jar: 0.15,
  ingredient: 0.15,
  unmixed: 0.3,
  unmixedThoughStirred: 0.02,
  warm: 0.2,
  instrument: 0.05,
} as const;
/** Jars that honey is sold in, g. */
const JARS_G = [250, 340, 454, 500, 907, 1000, 1360] as const;
const LEAST_WEIGHT = 1e-4;

const bell = (miss: number, usual: number): number => Math.exp(-0.5 * (miss / usual) ** 2);

/**
 * The first reading of a must against what was poured: inside what the pours allow, or how it can have come about, most likely
 * first. Null while there is no gravity of the unpitched must.
 *
 * @param capacityL of the vessel to its brim: what would not go into it did not happen
 */
export function reconcileMust(events: readonly BatchEvent[], capacityL = Number.POSITIVE_INFINITY): Reconciliation | null {
  const standing = standingEvents(events);
  const pitchAt = standing.find((event) => event.kind === 'yeast')?.happenedAt ?? Number.POSITIVE_INFINITY;
  const reading = standing.findLast(
    (event): event is EventOf<'reading'> =>
      event.kind === 'reading' && (event.payload.sg ?? event.payload.brix) !== undefined && event.happenedAt <= pitchAt,
  );
  const readAt = reading?.happenedAt ?? 0;
  const poured = standing.filter((event) => event.happenedAt <= readAt && event.kind !== 'reading' && event.kind !== 'yeast');
  const must = mixedOf(fold(poured));
  const read = reading === undefined ? null : gravityRead(emptyLedger(), reading.payload);
  if (reading === undefined || read === null || must === null) return null;
  const measuredSg = read.sg;
  const predicted = ledgerFigures(poured)?.sg ?? { value: must.sg, low: must.sg, high: must.sg };
  const stirred = standing.some(
    (event) => event.kind === 'note' && event.payload.mark === 'stirred' && event.happenedAt <= reading.happenedAt,
  );
  const found = [
    ...waterSlip(poured, measuredSg, capacityL),
    ...wetHoney(poured, measuredSg),
    ...jarSlip(poured, measuredSg, must.sg),
    ...otherIngredients(poured, measuredSg),
    unmixed(reading, measuredSg, must.sg, stirred),
    ...warmSample(reading, must.sg),
    instrument(read.instrument, measuredSg - must.sg),
  ];
  return {
    readingId: reading.id,
    measuredSg,
    predicted,
    predictedL: must.volumeL,
    isInside: isWithin(predicted, measuredSg),
    explanations: found.filter(({ weight }) => weight > LEAST_WEIGHT).sort((a, b) => b.weight - a.weight),
  };
}

/** Inside what the pours allow, the hydrometer's own error counted in as an independent one. */
function isWithin(predicted: Ranged, sg: number): boolean {
  const side = sg < predicted.value ? predicted.value - predicted.low : predicted.high - predicted.value;
  return Math.abs(sg - predicted.value) <= Math.hypot(side, HYDROMETER_PLUS_MINUS);
}

/** Which of several illegible figures the recipe allows: nearest first, with how many half-widths of the range each lies off. */
export function allowedReadings(predicted: Ranged, candidates: readonly number[]): { sg: number; off: number; isAllowed: boolean }[] {
  return candidates
    .map((sg) => {
      const side = sg < predicted.value ? predicted.value - predicted.low : predicted.high - predicted.value;
      const off = Math.abs(sg - predicted.value) / Math.max(side + HYDROMETER_PLUS_MINUS, 1e-6);
      return { sg, off, isAllowed: off <= 1.5 };
    })
    .sort((a, b) => a.off - b.off);
}

/** The root of “the must reads so” over one changed thing, or null where nothing in the bracket does. */
function sizeFor(sgWith: (x: number) => number, measuredSg: number, low: number, high: number): number | null {
  try {
    return settled(findRoot((x) => sgWith(x) - measuredSg, low, high, 1e-7 * (1 + high - low)));
  } catch (error) {
    if (error instanceof RangeError || error instanceof Refusal) return null;
    throw error;
  }
}

const readsWith = (poured: readonly StandingEvent[], changed: StandingEvent): number =>
  mixedOf(fold(poured.map((event) => (event.id === changed.id ? changed : event))))?.sg ?? 1;

const amend = (changed: StandingEvent): EventContent => ({
  kind: 'amendment',
  payload: { eventId: changed.id, replacement: { kind: changed.kind, payload: changed.payload, happenedAt: changed.happenedAt } as never },
});

const largest = <K extends 'honey' | 'water' | 'ingredient'>(
  poured: readonly StandingEvent[],
  kind: K,
  size: (event: EventOf<K>) => number,
) =>
  poured
    .filter((event): event is EventOf<K> => event.kind === kind)
    .sort((a, b) => size(b) - size(a))
    .at(0);

function waterSlip(poured: readonly StandingEvent[], measuredSg: number, capacityL: number): Explanation[] {
  const water = largest(poured, 'water', (event) => event.payload.volumeL);
  if (water === undefined) return [];
  const with_ = (liters: number): EventOf<'water'> => ({ ...water, payload: { ...water.payload, volumeL: liters } });
  const liters = sizeFor((x) => readsWith(poured, with_(x)), measuredSg, 0, water.payload.volumeL * 4 + 1);
  if (liters === null) return [];
  const moreL = liters - water.payload.volumeL;
  const volumeThen = mixedOf(fold(poured.map((event) => (event.id === water.id ? with_(liters) : event))))?.volumeL ?? 0;
  if (volumeThen > capacityL) return [];
  const usual = Math.max(USUAL_MISS.waterLeastL, USUAL_MISS.waterShare * water.payload.volumeL);
  return [
    {
      id: 'water',
      sentence: say`${volumeL(Math.abs(moreL))} ${moreL > 0 ? 'more' : 'less'} water than written down: ${volumeL(liters)} instead of ${volumeL(water.payload.volumeL)}.`,
      check: say`Look at the level: the vessel would hold ${volumeL(volumeThen)}.`,
      weight: HOW_OFTEN.water * bell(moreL, usual),
      settles: [amend(with_(liters))],
    },
  ];
}

function wetHoney(poured: readonly StandingEvent[], measuredSg: number): Explanation[] {
  const honeys = poured.filter((event) => event.kind === 'honey');
  if (honeys.length === 0) return [];
  const shifted = (shift: number) =>
    honeys.map((event): EventOf<'honey'> => ({ ...event, payload: { ...event.payload, moisture: event.payload.moisture + shift } }));
  const sgWith = (shift: number): number => {
    const changed = new Map(shifted(shift).map((event) => [event.id, event]));
    return mixedOf(fold(poured.map((event) => changed.get(event.id) ?? event)))?.sg ?? 1;
  };
  const wettest = Math.max(...honeys.map((event) => event.payload.moisture));
  const driest = Math.min(...honeys.map((event) => event.payload.moisture));
  const shift = sizeFor(sgWith, measuredSg, 0.13 - driest, 0.25 - wettest);
  if (shift === null) return [];
  const total = honeys.reduce((sum, event) => sum + event.payload.massG, 0);
  const mean = honeys.reduce((sum, event) => sum + event.payload.moisture * event.payload.massG, 0) / total;
  return [
    {
      id: 'moisture',
      sentence: say`${shift > 0 ? 'Wetter' : 'Drier'} honey: ${percent(100 * (mean + shift))} water instead of ${percent(100 * mean)}.`,
      check: say`A refractometer on the honey itself, or the lot’s label; nine honeys in ten lie between ${percent(15)} and ${percent(20)}.`,
      weight: HOW_OFTEN.moisture * bell(shift, USUAL_MISS.moisture),
      settles: shifted(shift).map(amend),
    },
  ];
}

function jarSlip(poured: readonly StandingEvent[], measuredSg: number, expectedSg: number): Explanation[] {
  const honey = largest(poured, 'honey', (event) => event.payload.massG);
  if (honey === undefined) return [];
  const with_ = (grams: number): EventOf<'honey'> => ({ ...honey, payload: { ...honey.payload, massG: grams } });
  const grams = sizeFor((x) => readsWith(poured, with_(x)), measuredSg, 0, honey.payload.massG * 3);
  if (grams === null) return [];
  const off = Math.abs(grams - honey.payload.massG);
  const near = Math.max(...JARS_G.map((jar) => bell(off - jar, USUAL_MISS.jarShare * jar)), 0.05);
  return [
    {
      id: 'jar',
      sentence: say`${massG(off)} of ${honey.payload.name} ${measuredSg < expectedSg ? 'never went in' : 'too much went in'}: a jar miscounted.`,
      check: say`Count the empty jars, or weigh what is left of the lot.`,
      weight: HOW_OFTEN.jar * near,
      settles: [amend(with_(grams))],
    },
  ];
}

function otherIngredients(poured: readonly StandingEvent[], measuredSg: number): Explanation[] {
  return poured.flatMap((event): Explanation[] => {
    if (event.kind !== 'ingredient' || event.payload.composition.sugar * event.payload.massG < 1) return [];
    const { composition, name, family, sugarSpread } = event.payload;
    const most = (1 - composition.unfermentable - composition.insoluble) / composition.sugar;
    const with_ = (scale: number): EventOf<'ingredient'> => ({
      ...event,
      payload: { ...event.payload, composition: { ...composition, sugar: Math.min(composition.sugar * scale, composition.sugar * most) } },
    });
    const scale = sizeFor((x) => readsWith(poured, with_(x)), measuredSg, 0, most);
    if (scale === null) return [];
    const usual = Math.max(0.03, sugarSpread / 1.28);
    return [
      {
        id: 'ingredient',
        sentence: say`${scale < 1 ? 'Poorer' : 'Richer'} ${name}: ${percent(100 * composition.sugar * scale)} sugar instead of ${percent(100 * composition.sugar)}.`,
        check:
          family === 'juice' || family === 'syrup'
            ? say`Read the ${name} alone, or its label.`
            : say`Press a little of the ${name} and read its juice.`,
        weight: HOW_OFTEN.ingredient * bell(scale - 1, usual),
        settles: [amend(with_(scale))],
      },
    ];
  });
}

function unmixed(reading: EventOf<'reading'>, measuredSg: number, expectedSg: number, stirred: boolean): Explanation {
  return {
    id: 'unmixed',
    sentence:
      measuredSg < expectedSg
        ? say`Not mixed: honey lies on the bottom and the sample came from above it.`
        : say`Not mixed: the sample came from the honey at the bottom.`,
    check: stirred ? say`It was stirred; stir hard once more and read again.` : say`Stir hard, scrape the floor, and read again.`,
    weight: stirred ? HOW_OFTEN.unmixedThoughStirred : HOW_OFTEN.unmixed,
    settles: [
      { kind: 'amendment', payload: { eventId: reading.id, replacement: null } },
      { kind: 'note', payload: { text: 'Not mixed when it was read; stirred again', mark: 'stirred' } },
    ],
  };
}

function warmSample(reading: EventOf<'reading'>, expectedSg: number): Explanation[] {
  const { sg = 1, tempC: given, calibrationC = 20 } = reading.payload;
  if (given !== undefined || reading.payload.sg === undefined) return [];
  const sampleC = sizeFor((t) => correctedSg(sg, t, calibrationC), expectedSg, calibrationC + 1, 60);
  if (sampleC === null) return [];
  return [
    {
      id: 'warm',
      sentence: say`A warm sample: read at ${tempC(sampleC)}, it shows ${gravity(sg)} for ${gravity(expectedSg)}.`,
      check: say`No temperature was written down. Cool a sample to ${tempC(calibrationC)} and read again.`,
      weight: HOW_OFTEN.warm * bell(sampleC - calibrationC, USUAL_MISS.sampleAboveC),
      settles: [
        {
          kind: 'amendment',
          payload: {
            eventId: reading.id,
            replacement: { kind: 'reading', payload: { ...reading.payload, tempC: sampleC }, happenedAt: reading.happenedAt },
          },
        },
      ],
    },
  ];
}

function instrument(name: GravityInstrument, off: number): Explanation {
  const stands = say`The ${name} itself reads ${points(1000 * Math.abs(off))} ${off < 0 ? 'too low' : 'too high'}`;
  const isRefractometer = name === 'refractometer';
  return {
    id: 'instrument',
    /** Bubbles lift a hydrometer; nothing pulls it down. */
    sentence: [...stands, off > 0 && name === 'hydrometer' ? ', or bubbles hold it up.' : '.'],
    check: isRefractometer
      ? say`Set it to zero with plain water at its own temperature, and read again.`
      : say`Spin it and read again; in plain water at its own temperature it must show ${gravity(1)}.`,
    weight: HOW_OFTEN.instrument * bell(off, 2 * HYDROMETER_PLUS_MINUS),
    settles: [],
  };
}
