import { correctedSg, instrumentPlusMinus, sgFromBrix, sgFromRefractometer } from '../liquid/index.ts';
import type { GravityInstrument } from '../liquid/index.ts';
import { CENTRAL_ASSUMPTIONS } from './assumptions.ts';
import type { Payloads } from './events.ts';
import { liquidOf } from './ledger.ts';
import type { Ledger } from './ledger.ts';
import { mixedOf } from './view.ts';

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
  { instrument = 'hydrometer', sg, brix, tempC, calibrationC }: Payloads['reading'],
  ethanolYield = CENTRAL_ASSUMPTIONS.ethanolYield,
): GravityRead | null {
  const plusMinus = (by: GravityInstrument): number => instrumentPlusMinus(by, tempC ?? 20, mixedOf(ledger)?.abv ?? 0);
  if (brix !== undefined) {
    const read = ledger.pitch === null ? sgFromBrix(brix) : sgFromRefractometer(liquidOf(ledger), brix, ethanolYield);
    return { instrument: 'refractometer', sg: read, plusMinus: plusMinus('refractometer') };
  }
  if (sg === undefined) return null;
  const calibration = calibrationC ?? 20;
  const minds = instrument === 'density meter';
  return { instrument, sg: minds ? sg : correctedSg(sg, tempC ?? calibration, calibration), plusMinus: plusMinus(instrument) };
}
