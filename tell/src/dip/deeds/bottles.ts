import { bottleSizesMl } from '@hollow-bell/core/bottle';
import type { BottleEnd } from '@hollow-bell/core/record';
import { litersOf } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { countOf, entry } from './deed.ts';
import type { Again } from './deed.ts';

export function readBottled(rest: string, context: DipContext, again: Again): Part {
  const times = /^(\d+)\s*(?:x|×|bottles? of|of|by)\s*(.+)$/.exec(rest);
  if (times !== null) {
    const liters = litersOf((times[2] ?? '').replace(/\s*(?:bottles?|each).*$/, ''), context);
    return entry({ kind: 'bottling', payload: { bottles: [{ sizeMl: Math.round(liters * 1e6) / 1e3, count: Number(times[1]) }] } });
  }
  const count = /^(\d+)(?:\s+bottles?)?$/.exec(rest)?.[1];
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
