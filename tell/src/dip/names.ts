import { candidate, DipAsk } from './ask.ts';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}. ]/gu, ' ')
    .replace(/ +/g, ' ')
    .trim();
const wordsOf = (text: string): string[] =>
  plain(text)
    .split(' ')
    .filter((word) => word !== '');

/** Whether these beginnings stand, in this order, among the name's words. */
function fits(beginnings: readonly string[], name: readonly string[]): boolean {
  let next = 0;
  for (const word of name) if (next < beginnings.length && word.startsWith(beginnings[next] ?? '\n')) next += 1;
  return next === beginnings.length;
}

/** How many letters two words differ by: one left out, put in, changed, or two swapped. */
function distance(a: string, b: string): number {
  const rows = Array.from({ length: a.length + 1 }, (_, i) => [i, ...Array.from({ length: b.length }, () => 0)]);
  const cell = (i: number, j: number): number => rows[i]?.[j] ?? Number.POSITIVE_INFINITY;
  for (let j = 0; j <= b.length; j++) if (rows[0] !== undefined) rows[0][j] = j;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const isSame = a[i - 1] === b[j - 1];
      const isSwapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
      const best = Math.min(
        cell(i - 1, j) + 1,
        cell(i, j - 1) + 1,
        cell(i - 1, j - 1) + (isSame ? 0 : 1),
        isSwapped ? cell(i - 2, j - 2) + 1 : Infinity,
      );
      const row = rows[i];
      if (row !== undefined) row[j] = best;
    }
  return cell(a.length, b.length);
}

/** So many letters of a word may be wrong (our estimate). */
const MOST_WRONG = 2;
const LEAST_LETTERS = 4;

/**
 * Takes a batch's name off the front of the line. An exact name wins, the longest first, also over deeds and numbers in it; then the
 * words, or beginnings of words, that only one name has.
 *
 * @param typed as typed
 * @throws DipAsk with the batches that may be meant, each as a line to press
 */
export function takeBatchName<B extends { name: string }>(typed: string, batches: readonly B[]): { batch: B; rest: string } {
  const words = typed.trim().split(/\s+/);
  const plains = words.map(plain);
  const after = (count: number): string =>
    words
      .slice(count)
      .join(' ')
      .replace(/^[:,]\s*/, '');
  const named = batches.map((batch) => ({ batch, name: wordsOf(batch.name) }));
  const offer = (some: readonly B[], count: number) => some.map((batch) => candidate(`${batch.name} ${after(count)}`, batch.name));

  const exact = named
    .filter(({ name }) => name.length > 0 && name.length <= words.length && name.every((word, i) => word === plains[i]))
    .sort((a, b) => b.name.length - a.name.length)[0];
  if (exact !== undefined) return { batch: exact.batch, rest: after(exact.name.length) };

  for (let count = Math.min(words.length, 6); count > 0; count--) {
    const beginnings = plains.slice(0, count).filter((word) => word !== '');
    if (
      beginnings.length === 0 ||
      beginnings.some((word) => word.length < 2 && beginnings.length === 1) ||
      !/\p{L}/u.test(beginnings[0] ?? '')
    )
      continue;
    const meant = named.filter(({ name }) => fits(beginnings, name)).map(({ batch }) => batch);
    const [only] = meant;
    if (only !== undefined && meant.length === 1) return { batch: only, rest: after(count) };
    if (meant.length > 1) throw new DipAsk(`More than one batch is called like that.`, offer(meant, count));
  }
  const first = plains[0] ?? '';
  const near = named.filter(({ name }) =>
    name.some((word) => first.length >= LEAST_LETTERS && /^\p{L}+$/u.test(first) && distance(first, word) <= MOST_WRONG),
  );
  if (near.length > 0)
    throw new DipAsk(
      'No batch is called quite like that.',
      near.flatMap(({ batch, name }) => offer([batch], spellsOut(plains, name))),
    );
  const [single] = batches;
  if (single !== undefined && batches.length === 1) return { batch: single, rest: typed.trim() };
  if (single === undefined) throw new DipAsk('No vessel stands filled yet; begin a batch first.');
  throw new DipAsk('Which batch? Begin with its name, such as “borage 1.048 21c”.', offer(batches, 0));
}

/** How many of the first words belong to a misspelt name: each near to one of its words. */
function spellsOut(plains: readonly string[], name: readonly string[]): number {
  const isNear = (word: string): boolean =>
    /^\p{L}/u.test(word)
      ? name.some((each) => distance(word, each) <= (word.length >= LEAST_LETTERS ? MOST_WRONG : 0))
      : name.includes(word);
  const last = plains.findIndex((word) => !isNear(word));
  return Math.max(1, last === -1 ? plains.length : last);
}
