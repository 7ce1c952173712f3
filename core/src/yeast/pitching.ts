import { Refusal, requireWithin } from '../quantities/index.ts';

/** Rehydration as makers who do it are taught: no ammonium salts in it, 15 minutes, not hotter than the packet says (trade practice). */
export const REHYDRATION = { waterGPerG: 15, tempC: 40, minutes: 15, nutrientGPerG: 1.25 } as const;

/** A must hotter than this kills yeast that is pitched into it, °C (trade practice: 35 to 38). */
export const MUST_TEMP_C = { most: 35 } as const;

/** Acid that goes into a fermenting must at once and may stop it, g/L as tartaric (our estimate). */
export const SUDDEN_ACID_G_PER_L = 1;

export interface Rehydration {
  waterL: number;
  nutrientG: number;
  tempC: number;
  minutes: number;
}

/** Water and rehydration nutrient for this much dry yeast. */
export function rehydrationOf(yeastG: number): Rehydration {
  const { waterGPerG, tempC, minutes, nutrientGPerG } = REHYDRATION;
  return { waterL: (yeastG * waterGPerG) / 1000, nutrientG: yeastG * nutrientGPerG, tempC, minutes };
}

export interface Attemperation {
  additions: number;
  /** Must to add each time, L. */
  eachL: number;
  /** Temperature of the starter after each addition, °C. */
  temps: number[];
  firstDropC: number;
}

/** No addition may change the starter by more than this, nor leave it further than this from the must when it is pitched, °C. */
export const ATTEMPERATION = { maxDropC: 10, withinC: 5 } as const;

/**
 * Must added to the yeast in equal parts until it is near enough to be pitched: as few parts as keep every change within bounds.
 * Heat balance with equal specific heats: after n parts of v the difference is D·V/(V + n·v), and the first change is the largest.
 *
 * @param starterL above 0
 * @throws Refusal for an empty starter or temperatures outside 0 to 60 °C
 */
export function attemper(
  starterL: number,
  starterC: number,
  mustC: number,
  { maxDropC, withinC }: { maxDropC: number; withinC: number } = ATTEMPERATION,
): Attemperation {
  if (!(starterL > 0)) throw new Refusal('There must be some starter to cool.', 'starterL');
  requireWithin('The starter’s temperature', starterC, 0, 60, '°C');
  requireWithin('The must’s temperature', mustC, 0, 60, '°C');
  const difference = Math.abs(starterC - mustC);
  if (difference <= withinC) return { additions: 0, eachL: 0, temps: [], firstDropC: 0 };
  const mostL = difference <= maxDropC ? Number.POSITIVE_INFINITY : (starterL * maxDropC) / (difference - maxDropC);
  const neededL = starterL * (difference / withinC - 1);
  const additions = Math.max(1, Math.ceil(neededL / mostL - 1e-9));
  const eachL = neededL / additions;
  const temps = Array.from({ length: additions }, (_, i) => {
    const left = (difference * starterL) / (starterL + (i + 1) * eachL);
    return mustC + Math.sign(starterC - mustC) * left;
  });
  return { additions, eachL, temps, firstDropC: Math.abs(starterC - (temps[0] ?? starterC)) };
}

/** More additions than this are no attemperation: the must is as warm as the starter, or the part far too small. */
const MOST_ADDITIONS = 50;

/**
 * The starter after each addition where its maker adds parts of a given size, or as much as there is each time, until it is near enough.
 * @param partL above 0, or `doubling`
 * @throws Refusal for an empty starter or part, temperatures outside 0 to 60 °C, or more than fifty parts
 */
export function attemperWith(
  starterL: number,
  starterC: number,
  mustC: number,
  partL: number | 'doubling',
  { withinC }: { withinC: number } = ATTEMPERATION,
): Attemperation {
  if (!(starterL > 0) || (partL !== 'doubling' && !(partL > 0)))
    throw new Refusal('There must be some starter, and some must in each part.');
  requireWithin('The starter’s temperature', starterC, 0, 60, '°C');
  requireWithin('The must’s temperature', mustC, 0, 60, '°C');
  const temps: number[] = [];
  for (let [tempC, inL] = [starterC, starterL]; Math.abs(tempC - mustC) > withinC;) {
    if (temps.length === MOST_ADDITIONS)
      throw new Refusal('With so small a part it takes more than fifty additions; take more each time.', 'partL');
    const added = partL === 'doubling' ? inL : partL;
    tempC = (tempC * inL + mustC * added) / (inL + added);
    inL += added;
    temps.push(tempC);
  }
  const eachL = partL === 'doubling' ? starterL : partL;
  return { additions: temps.length, eachL, temps, firstDropC: Math.abs(starterC - (temps[0] ?? starterC)) };
}
