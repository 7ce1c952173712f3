/** A key that does something by itself, and what the sheet of keys says of it. */
interface Shortcut {
  keys: readonly string[];
  shown: string;
  does: string;
}

export const SHORTCUTS = {
  dip: { keys: ['/'], shown: '/', does: 'to the dip line' },
  lead: { keys: ['g'], shown: 'g', does: 'and then a letter, to a place' },
  rounds: { keys: ['r'], shown: 'g r', does: 'to Rounds' },
  batches: { keys: ['b'], shown: 'g b', does: 'to Batches' },
  bench: { keys: ['e'], shown: 'g e', does: 'to the Bench' },
  shelf: { keys: ['s'], shown: 'g s', does: 'to the Shelf' },
  cellar: { keys: ['c'], shown: 'g c', does: 'to the Cellar' },
  practice: { keys: ['p'], shown: 'g p', does: 'to Practice' },
  newBatch: { keys: ['n'], shown: 'n', does: 'a new batch' },
  next: { keys: ['j', 'ArrowDown'], shown: 'j ↓', does: 'on Rounds: to the next ask' },
  before: { keys: ['k', 'ArrowUp'], shown: 'k ↑', does: 'on Rounds: to the ask before' },
  asPlanned: { keys: ['Enter'], shown: 'Enter', does: 'on Rounds: done as planned, or to where it is done' },
  otherwise: { keys: ['o'], shown: 'o', does: 'on Rounds: to where it is done, for another amount or way' },
  later: { keys: ['l'], shown: 'l', does: 'on Rounds: later, or not at all' },
  time: { keys: [' '], shown: 'Space', does: 'in Practice: lets time run, or stops it; every deed there shows its own key' },
  dayOn: { keys: ['.'], shown: '.', does: 'in Practice: a day on' },
  undo: { keys: ['u'], shown: 'u', does: 'takes the last act back; ten in a row' },
  sheet: { keys: ['?'], shown: '?', does: 'this sheet' },
  empty: { keys: ['Escape'], shown: 'Esc', does: 'empties the dip line, closes what is open' },
} as const satisfies Record<string, Shortcut>;

export type ShortcutName = keyof typeof SHORTCUTS;
/** Places by the letter that follows the leading key. */
export const PLACE_KEYS = ['rounds', 'batches', 'bench', 'shelf', 'cellar', 'practice'] as const satisfies readonly ShortcutName[];

/** Whose key this is, among these. */
export const shortcutOf = <N extends ShortcutName>(key: string, names: readonly N[]): N | undefined =>
  names.find((name) => (SHORTCUTS[name].keys as readonly string[]).includes(key));
