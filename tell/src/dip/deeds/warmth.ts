import { say, tempC } from '@hollow-bell/core/quantities';
import { findTempC } from '../amount.ts';
import { DipAsk, candidate } from '../ask.ts';
import type { DipContext, Part } from '../context.ts';
import { entry } from './deed.ts';
import type { Again } from './deed.ts';

export function readWarmed(rest: string, context: DipContext, again: Again, verb: string): Part {
  const toC = findTempC(rest, context);
  const cure = /^cool|^chill|^cold|^crash/.test(verb) ? 'cool' : 'warm';
  if (toC === null || toC < 0 || toC > 40)
    throw new DipAsk(say`To which temperature? Between ${tempC(0)} and ${tempC(40)}, such as “warmed to 22c” or “warmed to 72f”.`, [
      candidate(again(`${verb} to `), `${verb} to …`),
    ]);
  return entry({ kind: 'cure', payload: { cure, toC } });
}

/** “heated to 63c for 20 min”: how warm its core was, and how long. */
export function readHeated(rest: string, context: DipContext, again: Again, verb: string): Part {
  const warm = findTempC(/^\d/.test(rest) ? `at ${rest}` : rest, context);
  const minutes = /(\d+)\s*(?:min\b|mins\b|minutes?\b|m\b|')/.exec(rest)?.[1];
  if (warm === null || minutes === undefined)
    throw new DipAsk('How warm was its core, and for how many minutes? Such as “heated to 63c for 20 min”.', [
      candidate(again(`${verb} to ${context.units === 'us' ? '140f' : '60c'} for 20 min`)),
      candidate(again(`${verb} to  for 20 min`), 'another temperature'),
    ]);
  if (warm < 30 || warm > 100)
    throw new DipAsk(say`A core that is heated reads between ${tempC(30)} and ${tempC(100)}. In which degree was it?`, [
      candidate(again(`${verb} to ${/[\d.,]+/.exec(rest)?.[0] ?? ''}${context.units === 'us' ? 'c' : 'f'} for ${minutes} min`)),
    ]);
  return entry({ kind: 'heat', payload: { tempC: warm, minutes: Number(minutes) } });
}

/** “core 61.1 bath 62.4”: the middle of the mead in its pot, and the water around it. */
export function readCore(rest: string, context: DipContext, again: Again, verb: string): Part {
  const [coreText = '', bathText] = rest.split(/[,;]?\s*\bbath\b/);
  const warm = (text: string): number | null =>
    findTempC(/^\s*\d/.test(text) ? `at ${withDegree(text.trim(), context.units)}` : text, context);
  const coreC = warm(coreText);
  const bathC = bathText === undefined ? undefined : warm(bathText);
  const isPot = (tempC: number | null | undefined): boolean => tempC === undefined || (tempC !== null && tempC >= 0 && tempC <= 100);
  if (coreC === null || !isPot(coreC) || !isPot(bathC))
    throw new DipAsk(say`What did the core read, and the bath? Between ${tempC(0)} and ${tempC(100)}, such as “core 61.1 bath 62.4”.`, [
      candidate(again(`${verb} `), `${verb} …`),
    ]);
  return entry({ kind: 'core', payload: { coreC, ...(bathC === undefined || bathC === null ? {} : { bathC }) } });
}

/** A bare number of a pot is in the house's own degrees. */
const withDegree = (text: string, units: DipContext['units']): string =>
  /[a-z°]/i.test(text) ? text : `${text}${units === 'us' ? 'f' : 'c'}`;
