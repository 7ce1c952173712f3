/* What a vessel may ask for, in the order of harm by waiting: glass, then yeast, then taste, then time (our judgement). */
import type { AskRule } from '../ask.ts';
import { bag } from './bag.ts';
import { cap } from './cap.ts';
import { drinkBy, tasteAgain, testBottle, verdict } from './cellared.ts';
import { headspace, offFinings, rack, tasteBy } from './clearing.ts';
import { confirm } from './confirm.ts';
import { cure } from './cure.ts';
import { degas } from './degas.ts';
import { discard } from './discard.ts';
import { dose } from './dose.ts';
import { bottle, clear, fading, firstAfterHoney, stabilize, sweeten, verify, wait, weekLater } from './finished.ts';
import { heating } from './heating.ts';
import { moving } from './moving.ts';
import { pitch } from './pitch.ts';
import { reading } from './reading.ts';
import { sensed } from './sensed.ts';
import { settle } from './settle.ts';
import { emptied, mix, taste } from './standing.ts';
import { starter } from './starter.ts';
import { stuck } from './stuck.ts';
import { sulfur } from './sulfur.ts';
import { suspect } from './suspect.ts';

export const ASK_RULES = {
  mold: discard('mold'),
  retching: discard('retching'),
  moving,
  heating,
  stuck,
  film: sensed('film'),
  vinegar: sensed('vinegar'),
  dose,
  sulfur,
  starter,
  pitch,
  settle,
  bag,
  cure,
  suspect,
  cap,
  degas,
  solvent: sensed('solvent'),
  rubber: sensed('rubber'),
  geranium: sensed('geranium'),
  first: firstAfterHoney,
  verify,
  wait,
  weekLater,
  fading,
  headspace,
  tasteBy,
  rack,
  offFinings,
  testBottle,
  confirm,
  stabilize,
  reading,
  bottle,
  sweeten,
  clear,
  drinkBy,
  tasteAgain,
  verdict,
  taste,
  mix,
  emptied,
} as const satisfies Record<string, AskRule>;

export type AskKind = keyof typeof ASK_RULES | 'unreckoned' | 'state' | 'nothing';
