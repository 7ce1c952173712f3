import { mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { HOUR_MS, abvPct, gPerL, hours, massG, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { ammoniumCapMgPerL } from './schedule.ts';
import { AMMONIUM_CUTOFF_ABV, FIRST_AMMONIUM_H } from '../yeast/index.ts';

/** Rounding of scales, as a share of the cap. */
const CAP_SLACK = 0.02;

/**
 * What was given against the rules, as the record has it, and what to do about each; nothing takes it out again.
 * @param dapCapGPerL the legal cap on DAP
 */
export function feedingFaults(ledger: Ledger, dapCapGPerL: number): Sentence[] {
  const { pitch, doses } = ledger.history;
  const volumeL = mixedOf(ledger)?.volumeL ?? 0;
  if (pitch === null || volumeL <= 0) return [];
  const faults: Sentence[] = [];
  const capMgPerL = ammoniumCapMgPerL(dapCapGPerL);
  const thereMgPerL = ledger.liquid.ammoniumNMg / volumeL;
  if (thereMgPerL > capMgPerL * (1 + CAP_SLACK))
    faults.push(
      say`As much ammonium is in as ${gPerL((thereMgPerL / capMgPerL) * dapCapGPerL)} of diammonium phosphate, over the ${gPerL(dapCapGPerL)} that is allowed. Give no more. Let it ferment out warm, rack it early, and stabilize it before it rests: what is left feeds what spoils, and tastes of salt.`,
    );
  for (const dose of doses.filter(({ ammoniumNMg }) => ammoniumNMg > 0)) {
    if (dose.at >= pitch.at && dose.at - pitch.at < FIRST_AMMONIUM_H * HOUR_MS)
      faults.push(
        say`${massG(dose.massG)} of ${dose.name} went in ${hours((dose.at - pitch.at) / HOUR_MS)} after the pitch: ammonium stresses yeast that wakes up. Keep it warm and airy, and expect it to begin late.`,
      );
    const abv = ledger.history.readings.findLast(({ at, verdict }) => verdict === 'follows' && at <= dose.at && at >= pitch.at)?.abv ?? 0;
    if (abv >= AMMONIUM_CUTOFF_ABV)
      faults.push(
        say`${massG(dose.massG)} of ${dose.name} went in ${when(dose.at)} at ${abvPct(abv)}, when it is hardly taken up: it stays. Give no more, rack off the lees when it is done, and stabilize it.`,
      );
    if (dose.source === 'cutDap')
      faults.push(
        say`${dose.name} went in ${when(dose.at)}: urea that is left over forms a harmful carbamate in time. Keep it cool, and drink it young.`,
      );
  }
  return faults;
}
