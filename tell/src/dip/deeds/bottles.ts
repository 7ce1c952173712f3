import { bottleSizesMl } from '@hollow-bell/core/bottle';
import type { BottleEnd } from '@hollow-bell/core/record';
import { litersOf } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { countOf, entry } from './deed.ts';
import type { Again } from './deed.ts';

/** A bare size from here on is in milliliters, up to there in liters where one thinks in them; between, or in gallons, it may be anything. */
const BARE = { leastMl: 20, mostL: 5 } as const;

/** “5 x 750 ml”, “12 x 330”, “6 bottles of 0.75 l”; null where it is none of these. */
function bottlesOf(words: string, context: DipContext): { sizeMl: number; count: number } | null {
  const times = /^(\d+)\s*(?:x|×|bottles? of|of|by)\s*(.+)$/.exec(words);
  if (times === null) return null;
  const size = (times[2] ?? '').replace(/\s*(?:bottles?|each).*$/, '');
  const count = Number(times[1]);
  const bare = /^\d*[.,]?\d+$/.test(size) ? Number(size.replace(',', '.')) : null;
  if (bare === null) return { sizeMl: Math.round(litersOf(size, context) * 1e6) / 1e3, count };
  if (bare >= BARE.leastMl) return { sizeMl: bare, count };
  return context.units === 'metric' && bare <= BARE.mostL ? { sizeMl: Math.round(bare * 1e6) / 1e3, count } : null;
}

export function readBottled(rest: string, context: DipContext, again: Again): Part {
  const bottles = rest.split(/\s+\+\s+/).map((words) => bottlesOf(words, context));
  if (bottles.every((each) => each !== null)) return entry({ kind: 'bottling', payload: { bottles } });
  const count = /^(\d+)(?=\s+bottles?$|\s*(?:x|×|of|by)\s|$)/.exec(rest)?.[1];
  const sizes = bottleSizesMl(context.units).map((ml) => candidate(again(`bottled ${count ?? 6} x ${ml} ml`)));
  throw new DipAsk(count === undefined ? 'How many bottles, of which size?' : `${count} bottles of which size?`, sizes);
}

/** Bottles that left: opened, given away, broken. */
export const readBottleOut =
  (end: BottleEnd) =>
  (rest: string, _context: DipContext, again: Again, verb: string): Part => {
    const bottles = countOf(rest);
    if (bottles === null) throw new DipAsk('How many bottles?', [candidate(again(`${verb} one`)), candidate(again(`${verb} two`))]);
    return entry({ kind: 'bottleOut', payload: { count: bottles.count, end } });
  };
