import type { Recorded, RecordedKind } from './happenings/index.ts';
import { copyOf } from './ledger.ts';
import type { Folding, Ledger, Turn } from './ledger.ts';
import { likelyEndSg } from './likelyEnd.ts';
import { areBothGuarded } from './parcel.ts';
import { mixedOf } from './view.ts';

/** Entries that can move a mead's level otherwise than by fermenting, or bring new life. */
const WHAT: Partial<Record<RecordedKind, Turn['what']>> = {
  honey: 'sugar',
  ingredient: 'sugar',
  bottling: 'sugar',
  water: 'water',
  yeast: 'yeast',
  transferIn: 'blend',
};

/** A pitched mead just before such an entry. */
interface BeforeTurn {
  what: Turn['what'];
  /** Where it turns nothing but by its sugar. */
  isBySugarAlone: boolean;
  sg: number;
  endSg: number;
  sugarG: number;
  sugarBeforeGPerL: number;
  guardedToo: Ledger | null;
}

/** @returns null where it is not pitched, is empty, or the entry turns nothing */
export function beforeTurn<K extends RecordedKind>(ledger: Ledger, kind: K, payload: Recorded[K]): BeforeTurn | null {
  const what = WHAT[kind];
  if (what === undefined) return null;
  const [endSg, mixed] = [likelyEndSg(ledger), mixedOf(ledger)];
  if (endSg === null || mixed === null) return null;
  const parcel = kind === 'transferIn' ? (payload as Recorded['transferIn']).parcel : null;
  return {
    what,
    isBySugarAlone: kind === 'bottling',
    sg: mixed.sg,
    endSg,
    sugarG: ledger.liquid.sugarG,
    sugarBeforeGPerL: ledger.liquid.sugarG / mixed.volumeL,
    guardedToo: parcel !== null && areBothGuarded(ledger, parcel) ? copyOf(parcel) : null,
  };
}

/** Writes down what the entry did to the level. */
export function noteTurn(ledger: Folding, before: BeforeTurn, at: number): void {
  const after = mixedOf(ledger);
  const sugarG = Math.max(0, ledger.liquid.sugarG - before.sugarG);
  if (after === null || (before.isBySugarAlone && sugarG === 0)) return;
  const { what, sg: sgBefore, endSg, sugarBeforeGPerL, guardedToo } = before;
  ledger.history.turns.push({
    at,
    reads: ledger.history.readings.length,
    what: what === 'sugar' && sugarG === 0 ? 'sweetener' : what,
    sugarGPerL: sugarG / after.volumeL,
    shiftSg: after.sg - sgBefore,
    sgBefore,
    sgAfter: after.sg,
    endSg,
    sugarBeforeGPerL,
    guardedToo,
  });
}
