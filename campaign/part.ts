/* What every part of the campaign is told, and what it tells. */
import { seeded } from '@hollow-bell/core/numerics';

/** A fault that is planted, to see whether the campaign finds it. */
export interface Plant {
  /** Stands between the campaign and the program: the address that is asked instead. */
  between?: (address: string) => Promise<{ address: string; stop: () => Promise<void> }>;
  /** What is done to the database behind the program's back. */
  inDatabase?: (databaseUrl: string) => Promise<void>;
}

interface Told {
  seed: number;
  /** How many tries, and at which to begin. */
  count: number;
  from: number;
  /** A cluster to make databases on. */
  clusterUrl: string;
  say: (line: string) => void;
  plant?: Plant;
}

/** The address itself, or what was planted before it. */
export const through = (plant: Plant | undefined, address: string): Promise<{ address: string; stop: () => Promise<void> }> =>
  plant?.between?.(address) ?? Promise.resolve({ address, stop: () => Promise.resolve() });

/** Counts by what they are called; what must be none stands in `faults`, each with what it takes to see it again. */
export interface Outcome {
  counts: Record<string, number>;
  faults: string[];
}

export type Part = (told: Told) => Promise<Outcome>;

/** Chance of one try alone, so that a campaign can be taken up anywhere. */
export function chanceOf(seed: number, part: string, index: number): () => number {
  let mixed = seed >>> 0;
  for (const sign of `${part} ${index}`) mixed = (Math.imul(mixed ^ (sign.codePointAt(0) ?? 0), 0x01000193) + 0x9e37) >>> 0;
  // So that neighbours have nothing in common (the finalizer of MurmurHash3, A. Appleby, public domain).
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
  const draw = seeded((mixed ^ (mixed >>> 16)) >>> 0);
  return () => draw();
}

export const pick = <T>(all: readonly T[], chance: () => number): T => {
  const found = all[Math.floor(chance() * all.length)];
  if (found === undefined) throw new Error('nothing to pick from');
  return found;
};

export function counter(): Outcome & { add: (name: string, by?: number) => void; fault: (what: string) => void } {
  const outcome: Outcome = { counts: {}, faults: [] };
  return {
    ...outcome,
    add: (name, by = 1) => {
      outcome.counts[name] = (outcome.counts[name] ?? 0) + by;
    },
    fault: (what) => void outcome.faults.push(what),
  };
}
