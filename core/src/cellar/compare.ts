import { fedTold } from './told.ts';
import { finishOf } from '../glass/index.ts';
import { honeysPoured, meadBottled, othersPoured, tempsSincePitch, viewOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { DAY_MS, abvPct, degrees, gravity, hours, massG, say, tempC, volumeL } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';

export interface Compared {
  name: string;
  ledger: Ledger;
}

export interface CompareRow {
  label: string;
  told: Sentence[];
  /** What differs between the first and the second, in a sentence; null where nothing does. */
  differs: Sentence | null;
}

/** Gravities from the pitch on, days and SG, for curves that lie over each other. */
export function curveOf(ledger: Ledger): { day: number; sg: number }[] {
  const { pitch, readings, bottled } = ledger.history;
  if (pitch === null) return [];
  const until = bottled?.at ?? Number.POSITIVE_INFINITY;
  const read = readings.filter(({ at, verdict }) => verdict === 'follows' && at >= pitch.at && at <= until);
  return [{ day: 0, sg: pitch.sg }, ...read.map(({ at, sg }) => ({ day: (at - pitch.at) / DAY_MS, sg }))];
}

const poured = (pours: ReturnType<typeof honeysPoured>): Sentence =>
  pours.length === 0 ? ['none'] : pours.flatMap(({ name, massG: grams }, i) => say`${i === 0 ? '' : ', '}${name} ${massG(grams)}`);

const meanTemp = (ledger: Ledger): { mean: number; low: number; high: number } | null => {
  const all = tempsSincePitch(ledger).map((each) => each.tempC);
  return all.length === 0 ? null : { mean: all.reduce((a, b) => a + b, 0) / all.length, low: Math.min(...all), high: Math.max(...all) };
};

/** Days from the pitch until it lay at its end; null where it does not yet. */
function daysToEnd(ledger: Ledger): number | null {
  const mead = meadBottled(ledger) ?? ledger;
  const { pitch } = mead.history;
  const { state, since } = finishOf(mead);
  return pitch === null || since === null || state === 'moving' ? null : (since - pitch.at) / DAY_MS;
}

/** Differences of less than this are told of nobody: what two readings of one thing differ by (our estimates). */
const TELLS = { degrees: 1.5, days: 2, abv: 0.3, sg: 0.003 } as const;

/** Two numbers against each other, where they differ by enough. */
function against(a: number | null, b: number | null, least: number, tell: (more: number, isFirst: boolean) => Sentence): Sentence | null {
  if (a === null || b === null || Math.abs(a - b) < least) return null;
  return tell(Math.abs(a - b), a > b);
}

const sameWords = (told: readonly Sentence[]): boolean => new Set(told.map((each) => JSON.stringify(each))).size <= 1;

/** Batches side by side, row by row. @param batches two or more; what differs is told of the first two */
export function compareBatches(batches: readonly Compared[]): CompareRow[] {
  const ledgers = batches.map(({ ledger }) => meadBottled(ledger) ?? ledger);
  const [first, second] = batches;
  const [one, two] = ledgers;
  if (first === undefined || second === undefined || one === undefined || two === undefined) return [];
  const names = [first.name, second.name] as const;
  const firstOf = (isFirst: boolean): string => names[isFirst ? 0 : 1];
  const row = (label: string, tell: (ledger: Ledger) => Sentence, differs?: Sentence | null): CompareRow => {
    const told = ledgers.map(tell);
    const byWords: Sentence | null = sameWords(told.slice(0, 2))
      ? null
      : [`${label}: `, ...(told[0] ?? []), ` in ${names[0]}, `, ...(told[1] ?? []), ` in ${names[1]}.`];
    return { label, told, differs: differs === undefined ? byWords : differs };
  };
  const warm = ledgers.map(meanTemp);
  const days = ledgers.map(daysToEnd);
  const views = ledgers.map(viewOf);
  return [
    row('honey', (ledger) => poured(honeysPoured(ledger))),
    row('besides', (ledger) => poured(othersPoured(ledger))),
    row('yeast', ({ history: { pitch } }) => (pitch === null ? ['none yet'] : say`${pitch.name}, ${massG(pitch.massG)}`)),
    row('feeding', fedTold),
    row(
      'warmth',
      (ledger) => {
        const t = meanTemp(ledger);
        return t === null ? ['not read'] : say`${tempC(Math.round(t.mean))} (${tempC(t.low)} to ${tempC(t.high)})`;
      },
      against(
        warm[0]?.mean ?? null,
        warm[1]?.mean ?? null,
        TELLS.degrees,
        (more, isFirst) => say`${firstOf(isFirst)} stood ${degrees(more)} warmer.`,
      ),
    ),
    row(
      'took',
      (ledger) => {
        const d = daysToEnd(ledger);
        return d === null ? ['not ended'] : say`${hours(24 * d)} to its end`;
      },
      against(
        days[0] ?? null,
        days[1] ?? null,
        TELLS.days,
        (more, isFirst) => say`${firstOf(isFirst)} took ${hours(24 * more)} longer to its end.`,
      ),
    ),
    row(
      'ended',
      (ledger) => {
        const view = viewOf(ledger);
        return view === null ? ['empty'] : say`${gravity(view.sg)}, ${abvPct(view.abv)}`;
      },
      against(
        views[0]?.abv ?? null,
        views[1]?.abv ?? null,
        TELLS.abv,
        (more, isFirst) => say`${firstOf(isFirst)} is ${abvPct(more)} stronger.`,
      ) ?? against(views[0]?.sg ?? null, views[1]?.sg ?? null, TELLS.sg, (_more, isFirst) => say`${firstOf(isFirst)} is the sweeter one.`),
    ),
    {
      label: 'filled',
      told: batches.map(({ ledger }) => {
        const all = ledger.history.bottled?.bottles ?? [];
        return all.length === 0
          ? ['not bottled']
          : say`${volumeL(all.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0))}`;
      }),
      differs: null,
    },
    {
      label: 'words',
      told: batches.map(({ ledger }) => {
        const last = ledger.history.tastings.slice(-2).map(({ words }) => words);
        return last.length === 0 ? ['not tasted'] : [last.join('; ')];
      }),
      differs: null,
    },
  ];
}
