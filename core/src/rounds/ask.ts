import type { FeedingPlan } from '../feed/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import type { Sentence } from '../quantities/index.ts';
import type { RackSchool } from '../clear/index.ts';
import type { StabilizeSchool } from '../stabilize/index.ts';
import type { BatchState } from '../watch/index.ts';

/** Four bells: well, asks, waits, stop. Each has its own shape; color only repeats it. */
export type Bell = 'still' | 'swinging' | 'muffled' | 'cracked';

export const STATIONS = ['formulate', 'pitch', 'feed', 'watch', 'clear', 'stabilize', 'sweeten', 'bottle', 'taste'] as const;
export type Station = (typeof STATIONS)[number];

/** What a rule asks for, before the table says what kind it is. `done` is what one touch writes down; without it the maker goes to `station`. */
export interface Asked {
  /** What it is about and since when: new facts make a new ask. */
  of?: string | number;
  bell: Bell;
  /** When it is or was due. */
  dueAt: number;
  sentence: Sentence;
  station: Station;
  done: { label: Sentence; events: EventContent[] } | null;
  /** For a calendar, where its time stands beside it; without it the ask is none for a calendar. */
  dated?: Sentence;
}

/** Something a vessel asks for. */
export interface Ask extends Omit<Asked, 'of'> {
  kind: string;
  /** Names it in the record when it is put off: its kind, and what it is about. */
  key: string;
  /** Its place in the order of harm by waiting, 0 the worst. */
  harm: number;
  /** Whether it may be put off. */
  mayWait: boolean;
}

/** How often schools degas a must in its first week. */
export const DEGAS_PER_DAY = [0, 1, 2] as const;
export type DegasPerDay = (typeof DEGAS_PER_DAY)[number];
/** What most do. */
export const USUALLY_PER_DAY: DegasPerDay = 1;

/** How a house works, as far as asks hang on it; what most do where nothing is said. */
export interface AskPractice {
  degasPerDay?: DegasPerDay | undefined;
  stabilizing?: StabilizeSchool | undefined;
  racking?: RackSchool | undefined;
  roomTempC?: number | undefined;
}

/** A batch as a rule looks at it. */
export interface Asking {
  degasPerDay: DegasPerDay;
  school: StabilizeSchool;
  rackSchool: RackSchool;
  /** Where bottles stand, as far as anybody said. */
  roomTempC: number;
  ledger: Ledger;
  /** Null before the pitch. */
  feeding: FeedingPlan | null;
  state: BatchState;
  now: number;
  /** When it was last read, or else pitched. */
  lastAt: number;
}

export interface AskRule {
  /** What it asks of a batch now; nothing, one thing, or several. */
  asks: (of: Asking) => Asked | Asked[] | null;
  /** Danger is not put off: glass bursts whether or not one looks. */
  isDanger?: true;
}

/** An ask that sends the maker somewhere. */
export const asked = (
  of: string | number | undefined,
  bell: Bell,
  dueAt: number,
  sentence: Sentence,
  station: Station = 'watch',
  dated?: Sentence,
): Asked => ({
  ...(of === undefined ? {} : { of }),
  bell,
  dueAt,
  sentence,
  station,
  done: null,
  ...(dated === undefined ? {} : { dated }),
});
