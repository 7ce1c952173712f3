import type { EventContent } from '../record/index.ts';
import type { Sentence } from '../quantities/index.ts';

/** Four bells: well, asks, waits, stop. Each has its own shape; color only repeats it. */
export type Bell = 'still' | 'swinging' | 'muffled' | 'cracked';

export type Station = 'formulate' | 'pitch' | 'feed' | 'watch' | 'clear' | 'stabilize' | 'sweeten' | 'bottle' | 'taste';
export const STATIONS: readonly Station[] = ['formulate', 'pitch', 'feed', 'watch', 'clear', 'stabilize', 'sweeten', 'bottle', 'taste'];

/** Something a vessel asks for. `done` is what one touch writes down; without it the maker goes to `station`. */
export interface Ask {
  /** Names it in the record when it is put off; what it is about and since when, so that new facts make a new ask. */
  key: string;
  bell: Bell;
  /** When it is or was due. */
  dueAt: number;
  sentence: Sentence;
  station: Station;
  done: { label: Sentence; events: EventContent[] } | null;
  /** For a calendar, where its time stands beside it; without it the ask is none for a calendar. */
  dated?: Sentence;
}

/** An ask that sends the maker somewhere. */
export const ask = (key: string, bell: Bell, dueAt: number, sentence: Sentence, station: Station = 'watch', dated?: Sentence): Ask => ({
  key,
  bell,
  dueAt,
  sentence,
  station,
  done: null,
  ...(dated === undefined ? {} : { dated }),
});
