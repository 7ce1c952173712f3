import { correctedSg, instrumentPlusMinus, sgFromBrix, mixedFromRefractometer } from '../liquid/index.ts';
import type { CalibrationC, GravityInstrument, PhCalibration } from '../liquid/index.ts';
import { CENTRAL_ASSUMPTIONS } from './assumptions.ts';
import { liquidOf } from '../masses/index.ts';
import type { Ledger } from './ledger.ts';
import { mixedOf } from './view.ts';

/** What was read off instruments, before any correction. Quantities in SI. */
export interface Seen {
  /** A hydrometer where nothing is said. */
  instrument?: GravityInstrument | undefined;
  sg?: number | undefined;
  brix?: number | undefined;
  tempC?: number | undefined;
  ph?: number | undefined;
  taGPerL?: number | undefined;
  freeSo2MgPerL?: number | undefined;
  leesMm?: number | undefined;
}

/** The same, with how the instruments were marked and calibrated. */
export interface ReadingSeen extends Seen {
  calibrationC?: CalibrationC | undefined;
  /** What the instrument shows too much in water, in SG or °Bx. */
  zeroSg?: number | undefined;
  zeroBrix?: number | undefined;
  phMeter?: PhCalibration | undefined;
  phStrip?: boolean | undefined;
}

/** SG 20/20 behind what an instrument showed, ± 10–90 %. */
export interface GravityRead {
  instrument: GravityInstrument;
  sg: number;
  plusMinus: number;
}

/**
 * The gravity behind a reading of this batch as it stands; null where none was read. A refractometer's needs the alcohol that
 * the ledger knows of; a density meter minds its sample's warmth itself.
 *
 * @param ethanolYield g of ethanol per g of extract
 * @throws Refusal where this must cannot show that to a refractometer
 */
export function gravityRead(
  ledger: Ledger,
  { instrument = 'hydrometer', sg: shownSg, brix: shownBrix, tempC, calibrationC, zeroSg = 0, zeroBrix = 0 }: ReadingSeen,
  ethanolYield = CENTRAL_ASSUMPTIONS.ethanolYield,
): GravityRead | null {
  const warmC = tempC ?? 20;
  const brix = shownBrix === undefined ? undefined : Math.max(0, shownBrix - zeroBrix);
  const sg = shownSg === undefined ? undefined : shownSg - zeroSg;
  if (brix !== undefined) {
    const read =
      ledger.history.pitch === null
        ? { sg: sgFromBrix(brix), abv: 0 }
        : mixedFromRefractometer(liquidOf(ledger.liquid), brix, ethanolYield);
    return { instrument: 'refractometer', sg: read.sg, plusMinus: instrumentPlusMinus('refractometer', warmC, read.abv) };
  }
  if (sg === undefined) return null;
  const calibration = calibrationC ?? 20;
  const minds = instrument === 'density meter';
  return {
    instrument,
    sg: minds ? sg : correctedSg(sg, tempC ?? calibration, calibration, strengthAt(ledger, sg)),
    plusMinus: instrumentPlusMinus(instrument, warmC, 0),
  };
}

/** % vol for each unit of SG that a must has fallen: the usual rule, near enough here, where half a percent moves a reading by 0.00003. */
const ABV_PER_SG = 131.25;
const MOST_ABV = 20;
/** How strong the sample is that reads so: what the ledger knows of, and what has fermented since. */
function strengthAt(ledger: Ledger, readSg: number): number {
  if (ledger.history.pitch === null) return 0;
  const before = mixedOf(ledger);
  return before === null ? 0 : Math.min(MOST_ABV, Math.max(0, before.abv + ABV_PER_SG * (before.sg - readSg)));
}
