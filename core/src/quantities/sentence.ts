/**
 * A sentence whose quantities are still numbers in SI, so that the edge can show them in the maker's units and locale.
 * Core says what it has to say once; screens, sheets and logs print it.
 */
export interface Quantity {
  kind:
    | 'massG'
    | 'teaspoons'
    | 'degrees'
    | 'volumeL'
    | 'bottleMl'
    | 'tempC'
    | 'sg'
    | 'abv'
    | 'percent'
    | 'gPerL'
    | 'mgPerL'
    | 'volumes'
    | 'bar'
    | 'brix'
    | 'mm'
    | 'points'
    | 'ph'
    | 'hours'
    | 'when'
    | 'day';
  value: number;
}

type SentencePart = string | Quantity;
export type Sentence = readonly SentencePart[];

/** Template tag: say`Feed ${massG(1.6)} now.` */
export function say(texts: TemplateStringsArray, ...parts: (string | Quantity)[]): Sentence {
  const sentence: SentencePart[] = [];
  texts.forEach((text, i) => {
    if (text !== '') sentence.push(text);
    const part = parts[i];
    if (part !== undefined) sentence.push(part);
  });
  return sentence;
}

const quantity =
  (kind: Quantity['kind']) =>
  (value: number): Quantity => ({ kind, value });

export const massG = quantity('massG');
/** A difference of temperatures, in °C: no zero to shift. */
export const degrees = quantity('degrees');
/** Leveled teaspoons, shown as spoons go: eighths, then quarters. */
export const teaspoons = quantity('teaspoons');
export const volumeL = quantity('volumeL');
/** What a bottle holds, as bottles are called. */
export const bottleMl = quantity('bottleMl');
export const tempC = quantity('tempC');
export const gravity = quantity('sg');
export const abvPct = quantity('abv');
export const percent = quantity('percent');
export const gPerL = quantity('gPerL');
export const mgPerL = quantity('mgPerL');
export const brix = quantity('brix');
/** Of CO2, L at 0 °C and one atmosphere in a liter. */
export const volumes = quantity('volumes');
export const mm = quantity('mm');
/** Thousandths of SG, as makers count a fall. */
export const points = quantity('points');
export const phValue = quantity('ph');
export const hours = quantity('hours');
/** A moment, in milliseconds since 1970 UTC. */
export const when = quantity('when');
/** A moment of which the day is enough. */
export const day = quantity('day');

/** How heavy a verdict weighs. A stop names the harm. */
export type Weight = 'note' | 'care' | 'stop';

export interface Verdict {
  /** Stable name, for tests and for remembering an override. */
  id: string;
  weight: Weight;
  sentence: Sentence;
}

export const verdict = (id: string, weight: Weight, sentence: Sentence): Verdict => ({ id, weight, sentence });

/** Decimals and unit of each kind where no maker's units are known: logs and messages between machines. */
const PLAIN: Record<Quantity['kind'], [digits: number, unit: string]> = {
  massG: [1, ' g'],
  teaspoons: [2, ' tsp'],
  degrees: [1, ' °C'],
  volumeL: [2, ' L'],
  bottleMl: [0, ' ml'],
  tempC: [1, ' °C'],
  sg: [3, ''],
  abv: [1, ' % vol'],
  percent: [0, ' %'],
  gPerL: [1, ' g/L'],
  mgPerL: [0, ' mg/L'],
  volumes: [1, ' volumes'],
  bar: [1, ' bar'],
  brix: [1, ' °Bx'],
  mm: [0, ' mm'],
  points: [0, ' points'],
  ph: [2, ''],
  hours: [0, ' h'],
  when: [0, ''],
  day: [0, ''],
};

/** A sentence in SI, with times in UTC. */
export const plainly = (sentence: Sentence): string =>
  sentence
    .map((part) => {
      if (typeof part === 'string') return part;
      if (part.kind === 'when') return new Date(part.value).toISOString().slice(0, 16).replace('T', ' ');
      if (part.kind === 'day') return new Date(part.value).toISOString().slice(0, 10);
      const [digits, unit] = PLAIN[part.kind];
      return `${part.value.toFixed(digits)}${unit}`;
    })
    .join('');
