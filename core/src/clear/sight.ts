import { DAY_MS, say } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { LOOKS, othersPoured } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';

/** Steps from dark to print. */
const steps = (through: (typeof LOOKS)[number]): number => LOOKS.indexOf(through);

/** When print may be read through it at the pace seen so far, ms since 1970 UTC, earliest and latest; null where nothing shows a pace. */
export function clearBy({ history: { looks } }: Ledger): { from: number; to: number } | null {
  const [first, last] = [looks[0], looks.at(-1)];
  if (first === undefined || last === undefined || last.through === 'print') return null;
  const risen = steps(last.through) - steps(first.through);
  const days = (last.at - first.at) / DAY_MS;
  if (risen <= 0 || days < 1) return null;
  const left = (LOOKS.length - 1 - steps(last.through)) * (days / risen);
  /** A look is of a whole step: half of one more or less (our estimate). */
  return { from: last.at + 0.5 * left * DAY_MS, to: last.at + 2 * left * DAY_MS };
}

/** Two looks alike so far apart: it clears no further by itself (our estimate). */
const STOOD_DAYS = 10;

/** What would help it clear, by what was seen; nothing where it clears by itself. */
export function clearingAdvice(ledger: Ledger): Sentence | null {
  const { looks, marks } = ledger.history;
  const [before, last] = [looks.at(-2), looks.at(-1)];
  if (last === undefined || last.through === 'print') return null;
  if (last.beside.includes('floating pulp')) return say`Pulp or seeds float: tie a cloth over the end of the hose when it is racked.`;
  if (last.beside.includes('sediment on the wall'))
    return say`It hangs on the wall: turn the vessel sharply, some days before it is racked or bottled, so that it falls.`;
  if (last.beside.includes('streaks')) return say`Streaks: two layers that were not stirred together. Stir gently, look again tomorrow.`;
  const stands = before !== undefined && before.through === last.through && last.at - before.at >= STOOD_DAYS * DAY_MS;
  if (!stands) return null;
  if ((marks.pectin ?? 0) > (marks['no pectin'] ?? 0))
    return say`Spirit drew strings: that is pectin, and wants its enzyme. Finings do not take it.`;
  const hasFruit = othersPoured(ledger).some(({ family }) => family === 'fruit' || family === 'juice');
  return hasFruit && marks['no pectin'] === undefined
    ? say`Two looks alike. With fruit in it, test for pectin first: a spoon of it in two of strong spirit; strings want enzyme.`
    : say`Two looks alike: a fining would take it on. Try it in glasses first.`;
}
