import { Refusal } from '../quantities/index.ts';
import type { Immutable } from '../quantities/index.ts';
import { breakGuard } from './guard.ts';
import { LEDGER_VERSION, MASS_FIELDS, copyOf, emptyLedger, scaleMasses } from './ledger.ts';
import type { Ledger } from './ledger.ts';
import { NUTRIENTS } from './salts.ts';
import { mixedOf } from './view.ts';

/**
 * What a siphon takes over from a batch: this much of its liquid with all that is dissolved in it, and its history.
 * Pulp and yeast stay behind on the bottom.
 *
 * @param volumeL above 0, at most what is there
 * @throws Refusal for more than there is
 */
export function parcelOf(ledger: Ledger, volumeL: number): Ledger {
  const presentL = mixedOf(ledger)?.volumeL ?? 0;
  if (!(volumeL > 0) || volumeL > presentL + 0.005)
    throw new Refusal(`${volumeL.toFixed(2)} L cannot be taken over: there is ${presentL.toFixed(2)} L.`, 'volumeL');
  const parcel = copyOf(ledger);
  scaleMasses(parcel, Math.min(1, volumeL / presentL));
  return { ...parcel, insolubleG: 0, yeastG: 0, co2G: 0, removedG: 0, pouredG: 0, taken: {}, transfers: [], bottled: null };
}

/** Parcels from before products could be chosen hold doses without their nitrogen: what is missing follows from the kind. */
function withNitrogen(dose: Ledger['doses'][number]): Ledger['doses'][number] {
  const { name, ammoniumN, aminoN } = NUTRIENTS[dose.source];
  return Object.assign({ name, ammoniumNMg: dose.massG * ammoniumN * 1000, aminoNMg: dose.massG * aminoN * 1000 }, dose);
}

/** Parcels from before all temperatures were kept have those that stand beside a gravity. */
const tempsOf = ({ temps, readings }: Omit<Ledger, 'temps'> & Partial<Ledger>): Ledger['temps'] =>
  temps ?? readings.flatMap(({ at, tempC }) => (tempC === null ? [] : [{ at, tempC }]));

/** Parcels from before the guard was kept bring what was given after the pitch. */
function guardOf(parcel: Partial<Ledger> & Pick<Ledger, 'sulfites' | 'pitch' | 'so2Mg' | 'sorbicMg'>): Partial<Ledger> {
  if (parcel.guardSo2Mg !== undefined) return {};
  const { pitch, sulfites } = parcel;
  const isGiven = pitch !== null && sulfites.some(({ at }) => at > pitch.at);
  return { guardSo2Mg: isGiven ? parcel.so2Mg : 0, guardSorbicMg: parcel.sorbicMg };
}

/** A ledger that begins with a parcel, or one that has it poured in. The masses add; a history is taken over only by an empty vessel. */
export function receive(ledger: Ledger, parcel: Immutable<Ledger>): 'born' | 'in' {
  const isFresh = ledger.lastEventAt === null;
  const massG = parcel.waterG + parcel.sugarG + parcel.unfermentableG + parcel.ethanolG + parcel.saltsG;
  /** A history of its own: what comes later is written into it, never into the event that brought it. */
  const kept = copyOf(parcel);
  const own: Ledger = {
    ...emptyLedger(),
    ...kept,
    doses: kept.doses.map(withNitrogen),
    temps: tempsOf(kept),
    ...guardOf(kept),
    version: LEDGER_VERSION,
  };
  if (isFresh) Object.assign(ledger, own);
  else {
    for (const field of MASS_FIELDS) ledger[field] += own[field];
    /** It may bring sugar and yeast alike, and thins what was dosed. */
    breakGuard(ledger);
  }
  ledger.pouredG += massG;
  return isFresh ? 'born' : 'in';
}
