import { gravity, mgPerL, percent, phValue, say, tempC } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import type { Rng } from '../numerics/index.ts';
import type { Hidden } from './hidden.ts';

/** How plainly a trouble shows: 1 plain, 2 as in life, 3 faint. */
export const DEPTHS = [1, 2, 3] as const;
export type Depth = (typeof DEPTHS)[number];
const FORCE: Record<Depth, number> = { 1: 1, 2: 0.8, 3: 0.6 };

export type TroubleId =
  | 'shutter'
  | 'stove'
  | 'hunger'
  | 'sour'
  | 'lemons'
  | 'kept juice'
  | 'old packet'
  | 'scalded'
  | 'no air'
  | 'weak yeast'
  | 'too strong'
  | 'unmixed'
  | 'slipped scale'
  | 'leaking lid'
  | 'gas held';

/** Something that is wrong, of which a learner sees only what it does. */
export interface Trouble {
  id: TroubleId;
  /** As it stands in the list to choose from. */
  name: string;
  /** What it was, once it is told. */
  told: Sentence;
  /** What would have shown it. */
  evidence: Sentence;
  hides: (hidden: Hidden, depth: Depth, rng: Rng) => void;
}

/** A change of the room from one hour to another, coming on within a day and a half. */
function drifts(hidden: Hidden, fromH: number, toH: number, byC: number): void {
  const usual = hidden.roomC;
  hidden.roomC = (hour) => usual(hour) + byC * Math.min(1, Math.max(0, (hour - fromH) / 36)) * (hour > toH ? 0 : 1);
}

/** Fifteen that home makers meet. Their strengths are our own. */
export const TROUBLES: readonly Trouble[] = [
  {
    id: 'shutter',
    name: 'the room went cold',
    told: ['A shutter stood open from the fourth day on, and the must went cold with the room.'],
    evidence: ['The temperature beside the readings: it falls first, the gravity after it, and warming alone brings it back.'],
    hides: (hidden, depth) => drifts(hidden, 100, Infinity, -12 * FORCE[depth]),
  },
  {
    id: 'stove',
    name: 'the room went hot',
    told: ['From the third day on it stood beside a stove; what is too warm for a yeast kills it.'],
    evidence: say`The temperature beside the readings, above ${tempC(32)}, before it slowed.`,
    hides: (hidden, depth) => drifts(hidden, 60, 200, 6 + 10 * FORCE[depth]),
  },
  {
    id: 'hunger',
    name: 'the nutrient was not what its jar said',
    told: ['The jar held yeast hulls: what was fed brought next to no nitrogen.'],
    evidence: say`It was fed by the book and slowed all the same, warm and not sour; it smells of sulfur. Honey brings ${mgPerL(20)} at most.`,
    hides: (hidden, depth) => {
      hidden.nutrientShare = 1 - 0.97 * FORCE[depth];
      hidden.setting.stinks *= 1.5;
    },
  },
  {
    id: 'sour',
    name: 'it turned too sour',
    told: ['Its water was so soft, and its honey so poor in salts, that nothing held its pH.'],
    evidence: say`A pH below ${phValue(3)}, and a slowing from the first days on though it is warm and fed.`,
    hides: (hidden, depth) => {
      hidden.must.buffer *= 1 - 0.5 * FORCE[depth];
      hidden.must.ph -= 0.35 * FORCE[depth];
    },
  },
  {
    id: 'lemons',
    name: 'somebody put acid in',
    told: ['On the fifth day somebody squeezed lemons into it to freshen it up.'],
    evidence: ['A pH that fell from one day to the next, and a course that bends at that very day.'],
    hides: (hidden, depth) => hidden.acids.push({ hour: 110, drop: 0.65 * FORCE[depth] }),
  },
  {
    id: 'kept juice',
    name: 'a preservative came with the water or the fruit',
    told: ['A bottle of squash went into it: what keeps squash keeps yeast from budding, too.'],
    evidence: ['It never gets going though it is warm, fed and not sour; fresh yeast fares no better. The list on the bottle says it.'],
    hides: (hidden, depth) => {
      hidden.must.sorbic = 320 * FORCE[depth];
      hidden.must.so2 = 20 * FORCE[depth];
    },
  },
  {
    id: 'old packet',
    name: 'hardly any of the yeast was alive',
    told: say`The packet had lain open for two summers; hardly ${percent(15)} of it lived.`,
    evidence: ['A long silence at the start; once it goes, it goes as it should, only thin and late.'],
    hides: (hidden, depth) => {
      hidden.must.living *= 1 - 0.87 * FORCE[depth];
    },
  },
  {
    id: 'scalded',
    name: 'the yeast was soaked too hot',
    told: say`It was soaked at ${tempC(52)}; most of it died before it saw the must.`,
    evidence: ['A silence at the start, and lees of dead yeast from the first day on.'],
    hides: (hidden, depth) => {
      const dead = hidden.must.living * 0.85 * FORCE[depth];
      hidden.must.living -= dead;
      hidden.must.leesG += dead * hidden.must.volumeL * 3;
      hidden.must.sterol = 0.7;
    },
  },
  {
    id: 'no air',
    name: 'it was never stirred in air',
    told: ['Nobody stirred air into it, and the yeast was a dry one without reserves: it stopped budding early.'],
    evidence: ['It starts in good time, stays thin, and tails off: warm, fed, not sour, and no strength to its bubbling.'],
    hides: (hidden, depth) => {
      hidden.must.sterol = 0.42 - 0.2 * FORCE[depth];
    },
  },
  {
    id: 'weak yeast',
    name: 'this yeast bears less than its packet says',
    told: ['It was another yeast in the packet: it gives up three to four parts of alcohol in a hundred before its time.'],
    evidence: ['It slows late, at a strength that this yeast should bear; neither warmth nor food nor a rousing does anything.'],
    hides: (hidden, depth) => {
      hidden.setting.bearsAbv -= 5 * FORCE[depth];
    },
  },
  {
    id: 'too strong',
    name: 'more honey went in than was weighed',
    told: ['The scale had stood on a cloth: a quarter more honey went in than it showed.'],
    evidence: say`The first reading, above what was planned: ${gravity(1.12)} and more. It ends sweet, where its yeast stops.`,
    hides: (hidden, depth) => {
      const { must } = hidden;
      const more = 0.3 * FORCE[depth];
      must.glucoseG *= 1 + more;
      must.fructoseG *= 1 + more;
      must.unfermentableG *= 1 + more;
    },
  },
  {
    id: 'unmixed',
    name: 'honey lies unmixed on the floor',
    told: ['A third of the honey lay as syrup on the floor of the vessel, below every sample.'],
    evidence: ['The first reading, far below what was planned; the gravity then stands, or rises, while gas comes off.'],
    hides: (hidden, depth) => {
      const { must } = hidden;
      const share = 0.45 * FORCE[depth];
      hidden.floorG = share * (must.glucoseG + must.fructoseG);
      must.glucoseG *= 1 - share;
      must.fructoseG *= 1 - share;
    },
  },
  {
    id: 'slipped scale',
    name: 'the hydrometer’s paper has slipped',
    told: ['The paper in the hydrometer had slipped: it showed more than there was, of everything.'],
    evidence: say`In water it does not show ${gravity(1)}; the mead seems to stop early, though nothing else is amiss, and lies still.`,
    hides: (hidden, depth) => {
      hidden.scaleSg = 0.014 * FORCE[depth] + 0.002;
    },
  },
  {
    id: 'leaking lid',
    name: 'the lid lets the gas by',
    told: ['The lid did not seal: the gas went out beside the airlock.'],
    evidence: ['A silent airlock over a gravity that falls. The airlock is no instrument.'],
    hides: (hidden) => {
      hidden.lidLeaks = true;
    },
  },
  {
    id: 'gas held',
    name: 'it stands in its own gas',
    told: ['It was full of gas that nobody let out, and the gas weighed on its yeast.'],
    evidence: ['It prickles, it is warm and fed, and it goes on after each slow degassing.'],
    hides: (hidden, depth) => {
      hidden.setting.gasWeighs = 3 * FORCE[depth];
    },
  },
];

export function troubleOf(id: TroubleId): Trouble {
  const found = TROUBLES.find((each) => each.id === id);
  if (found === undefined) throw new Error(`no trouble “${id}”`);
  return found;
}
