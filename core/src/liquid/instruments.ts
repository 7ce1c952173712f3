import { readingPlusMinus } from './hydrometer.ts';

/** What gravity is read with. A float swims in the must for weeks; the others want a sample. */
/** An instrument that is further off in water wants to be set or thrown out (our estimate). */
export const ZERO_AT_MOST = { sg: 0.02, brix: 3 } as const;

export const GRAVITY_INSTRUMENTS = ['hydrometer', 'refractometer', 'density meter', 'float'] as const;
export type GravityInstrument = (typeof GRAVITY_INSTRUMENTS)[number];

/** 10–90 % ranges, ± in SG; our estimates, gas bubbles in the sample included. A float also drifts with foam and yeast that settle on it. */
const DENSITY_METER_PLUS_MINUS = 0.001;
const FLOAT_PLUS_MINUS = 0.004;
/** A refractometer read to 0.2 °Bx, and what is not known of its correction: it grows with the alcohol up to ± 0.006 (published corrections differ by as much). */
const REFRACTOMETER = { readPlusMinus: 0.001, perAbv: 0.001, most: 0.006 } as const;

/** Instruments that may prove an end: two equal readings of these, a week apart. */
export const provesAnEnd = (instrument: GravityInstrument): boolean => instrument === 'hydrometer' || instrument === 'density meter';

/** ± in SG, 10–90 %, of one reading. @param tempC of the sample @param abv of the liquid, % vol */
export function instrumentPlusMinus(instrument: GravityInstrument, tempC: number, abv: number): number {
  switch (instrument) {
    case 'hydrometer':
      return readingPlusMinus(tempC);
    case 'density meter':
      return DENSITY_METER_PLUS_MINUS;
    case 'float':
      return FLOAT_PLUS_MINUS;
    case 'refractometer':
      return Math.hypot(REFRACTOMETER.readPlusMinus, Math.min(REFRACTOMETER.most, REFRACTOMETER.perAbv * abv));
  }
}
