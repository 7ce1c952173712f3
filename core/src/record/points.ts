import type { Composition, Family, Trait } from '../ingredients/index.ts';
import type { GravityInstrument } from '../liquid/index.ts';

/** A reading of the gravity as the ledger took it. */
export interface ReadingPoint {
  eventId: string;
  at: number;
  instrument: GravityInstrument;
  /** As read; of a refractometer the gravity that follows from it. */
  readSg: number;
  tempC: number | null;
  /** SG 20/20, corrected for temperature and calibration. */
  sg: number;
  plusMinus: number;
  /** SG that the ledger expected just before. */
  expectedSg: number;
  /** `unexplained` readings lie where the must cannot be; the ledger does not follow them. */
  verdict: 'follows' | 'unexplained';
  /** After the reading. */
  abv: number;
  shareGone: number;
  /** Its clock had jumped: nobody knows when it was read. */
  isMisdated?: true;
}

export interface Temperature {
  at: number;
  tempC: number;
  /** Of a sample, read with its gravity: it may have been warmed, never cooled. */
  isSample?: true;
}

/** Honey, fruit, juice or anything else that was poured, and what it was made of. */
export interface Pour {
  eventId: string;
  at: number;
  name: string;
  family: Family;
  massG: number;
  composition: Composition;
  sugarG: number;
  insolubleG: number;
  afterPitch: boolean;
  bagOutAt: number | null;
  traits?: Trait[] | undefined;
  /** Its pulp was lifted out again. */
  isOut?: true | undefined;
}
