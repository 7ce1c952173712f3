/** Where a batch can stand. */
interface PhaseTraits {
  /** Yeast is at work in the vessel, or ought to be. */
  ferments?: true;
  /** It is fed, degassed and read as its pace asks for. */
  isPaced?: true;
  /** It may be stuck: what is tried against that goes on. */
  mayBeStuck?: true;
  /** A forecast of it says something. */
  hasCourse?: true;
  /** It throws foam. */
  foams?: true;
  /** Glass may burst. */
  isAlarm?: true;
  /** There is no must or mead in a vessel to look after. */
  isAway?: true;
}

const PHASES = {
  empty: { isAway: true },
  emptied: { isAway: true },
  mixed: {},
  lag: { ferments: true, isPaced: true, hasCourse: true, foams: true },
  unread: { ferments: true, isPaced: true, foams: true },
  active: { ferments: true, isPaced: true, hasCourse: true, foams: true },
  slowing: { isPaced: true, mayBeStuck: true, hasCourse: true },
  suspect: { mayBeStuck: true, hasCourse: true },
  stuck: { mayBeStuck: true },
  'near its end': { ferments: true, hasCourse: true },
  'awaiting confirmation': { ferments: true, hasCourse: true },
  finished: {},
  stabilized: {},
  'moving again': { isAlarm: true },
  'glass in doubt': { isAlarm: true },
  bottled: { isAway: true },
} as const satisfies Record<string, PhaseTraits>;

export type BatchPhase = keyof typeof PHASES;
/** As the book and Rounds show it: a record may also not be reckoned at all. */
export type ShownPhase = BatchPhase | 'unreckoned';

/** What a maker reads where the name of a phase says too little, or too much. */
const TOLD: Partial<Record<ShownPhase, string>> = {
  empty: 'planned',
  unread: 'not read since the pitch',
  suspect: 'read it again',
  unreckoned: 'cannot be reckoned',
};

export const phaseTold = (phase: ShownPhase): string => TOLD[phase] ?? phase;

export const traitsOf = (phase: ShownPhase): PhaseTraits => (phase === 'unreckoned' ? {} : PHASES[phase]);
