import { mm, say } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import type { Must } from './law.ts';

/** What eye, ear and nose tell at the vessel. */
export interface Senses {
  /** Seconds from one bubble in the airlock to the next; null where none comes. */
  bubbleS: number | null;
  bubbles: Sentence;
  foam: Sentence;
  isFoaming: boolean;
  smell: Sentence;
  lees: Sentence;
  leesMm: number;
  /** 0 clear, 1 as murky as it gets. */
  haze: number;
}

/** mL of gas in a bubble of an airlock, and g in a liter of it (our estimates). */
const BUBBLE_ML = 2.5;
const GAS_G_PER_L = 1.84;
const SILENT_FROM_S = 600;
/** Foam beyond this share of the must is seen (our estimate). */
const RING_FROM = 0.006;
/** Height of lees from their mass: so many g of yeast in a mm, for each liter (our estimate). */
const LEES_G_PER_L_MM = 0.35;

/** Two figures are what an ear tells. */
function twoFigures(value: number): number {
  const step = 10 ** (Math.floor(Math.log10(Math.max(1, value))) - 1);
  return Math.max(1, Math.round(value / Math.max(1, step)) * Math.max(1, step));
}

/** @param lidLeaks the gas goes out beside the airlock */
export function sensesOf(must: Must, lidLeaks: boolean): Senses {
  const mlPerS = ((must.gas * must.volumeL) / GAS_G_PER_L / 3600) * 1000;
  const interval = mlPerS > 0 ? BUBBLE_ML / mlPerS : Infinity;
  const bubbleS = lidLeaks || interval > SILENT_FROM_S || must.isClosed ? null : twoFigures(interval);
  const leesMm = Math.round(must.leesG / must.volumeL / LEES_G_PER_L_MM);
  return {
    bubbleS,
    bubbles:
      bubbleS === null ? ['no bubble in ten minutes'] : [bubbleS <= 1 ? 'a bubble every second or faster' : `a bubble every ${bubbleS} s`],
    foam: foamTold(must),
    isFoaming: must.foamL / must.volumeL > RING_FROM,
    smell: [smellTold(must)],
    lees: leesMm < 1 ? ['no lees yet'] : say`lees of ${mm(leesMm)}`,
    leesMm,
    haze: must.haze,
  };
}

function foamTold({ foamL, volumeL }: Must): Sentence {
  const share = foamL / volumeL;
  if (share > 0.15) return ['a thick head of foam'];
  if (share > 0.03) return ['foam over all of it'];
  return share > RING_FROM ? ['the foam has sunk to a ring'] : ['no foam'];
}

function smellTold({ sulfur, rate, tempC }: Must): string {
  if (sulfur > 2.2) return 'smells of bad eggs';
  if (sulfur > 1) return 'smells of sulfur';
  if (tempC > 30 && rate > 0.1) return 'smells of solvent';
  return rate > 0.05 ? 'smells of bread and honey' : 'smells of honey, of nothing else';
}
