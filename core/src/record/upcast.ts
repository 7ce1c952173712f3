import { MEAN_HONEY, honeyComposition } from '../ingredients/index.ts';
import type { Composition, Family } from '../ingredients/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { BatchEvent } from './events.ts';
import { LEDGER_VERSION, emptyLedger } from './ledger.ts';
import type { Care, Folding, Guard, History, InVessel, Ledger, Pour, ReadingPoint, Temperature, Turn } from './ledger.ts';
import { likelyEndSg } from './likelyEnd.ts';
import { mixedOf } from './view.ts';
import type { BottleRow } from './kinds.ts';
import { nutrientOf } from './salts.ts';

/* The one place that reads what older programs wrote: entries, and the parcels in them. What is stored is never changed. */

/** Of the shape of entries; an entry without one is of the first. */
export const RECORD_VERSION = 1;

/** Until it was parted into groups a ledger was one flat list, which grew: what was not known then is missing. */
interface FlatLedger extends Partial<InVessel>, Partial<Omit<History, 'readings' | 'ph' | 'doses'>>, Partial<Care> {
  taken?: Folding['taken'];
  readings?: (Omit<ReadingPoint, 'instrument'> & Partial<ReadingPoint>)[];
  ph?: { value: number; at: number; plusMinus?: number } | null;
  doses?: (Omit<History['doses'][number], 'name' | 'ammoniumNMg' | 'aminoNMg'> & Partial<History['doses'][number]>)[];
  unsweetened?: FlatLedger | null;
  leesMm?: LastLees;
  tempC?: { value: number; at: number } | null;
  honeys?: { at: number; name: string; massG: number; afterPitch: boolean }[];
  additions?: Omit<Pour, 'composition'>[];
}
/** Groups since version 3; vessels, finings, heat, and every height of the lees since 4; what guards by kind, looks and words since 5; sessions of bottling, priming and tastings since 6; what turned the level, and yeast that went in later, since 7. */
const GROUPED_SINCE = 3;
type LastLees = { value: number; at: number } | null;
const leesOf = (last: LastLees | undefined): History['lees'] =>
  last === undefined || last === null ? [] : [{ mm: last.value, at: last.at }];
/** Of version 3 and later; the third kept the last height of the lees alone. */
type ThirdLedger = Omit<Ledger, 'history'> & {
  history: Partial<Omit<Ledger['history'], 'guarded' | 'bottled'>> & {
    leesMm?: LastLees;
    /** The mead before sugar went in under its guard, kept until version 7. */
    unsweetened?: { version?: number } | null;
    guarded?: OldGuard | null;
    bottled?: OldBottled | Ledger['history']['bottled'];
  };
};
/** One session alone was kept until version 6, all of it still. */
interface OldBottled {
  at: number;
  bottles: readonly BottleRow[];
  mead: Ledger;
}
const bottledBy = (old: OldBottled | Ledger['history']['bottled']): Ledger['history']['bottled'] =>
  old === null
    ? null
    : 'fillings' in old
      ? { ...old, fillings: old.fillings.map((filling) => ({ ...filling, word: null, mead: upcastLedger(filling.mead) })) }
      : {
          at: old.at,
          bottles: old.bottles,
          stays: false,
          fillings: [
            {
              eventId: '',
              at: old.at,
              bottles: old.bottles,
              primings: [],
              each: null,
              warmestC: null,
              measured: null,
              otherCost: 0,
              word: null,
              mead: upcastLedger(old.mead),
            },
          ],
        };
/** Sulfite and sorbate alone guarded then. */
type OldGuard = Partial<Guard> & { at: number };
/** Until version 7 nobody kept what a mead read as its guard began: what it was before the honey under it comes nearest. */
function guardBy(guard: OldGuard | null | undefined, mead: Ledger): Guard | null {
  if (guard === null || guard === undefined) return null;
  const { sg = 1, volumeL = 1 } = mixedOf(mead) ?? {};
  const reads = readsBefore(mead, guard.at);
  return { by: 'dose', reads, sg, endSg: likelyEndSg(mead) ?? sg, sugarGPerL: mead.liquid.sugarG / volumeL, ...guard } as Guard;
}
const readsBefore = ({ history }: Ledger, moment: number): number => history.readings.filter(({ at }) => at <= moment).length;
/** Nor what an addition did to the level: each after the pitch is taken to begin it anew. */
function turnsOf(ledger: Ledger): Turn[] {
  const { sg = 1, volumeL = 1 } = mixedOf(ledger) ?? {};
  const none = {
    shiftSg: 0,
    sgBefore: sg,
    sgAfter: sg,
    endSg: likelyEndSg(ledger) ?? sg,
    sugarBeforeGPerL: 0,
    guardedToo: null,
  };
  const when = (at: number) => ({ at, reads: readsBefore(ledger, at) });
  const poured = ledger.history.pours.filter(({ afterPitch }) => afterPitch);
  const blended = ledger.history.transfers.filter(({ direction }) => direction === 'in');
  return [
    ...poured.map(({ at, sugarG }): Turn => ({
      ...none,
      ...when(at),
      what: sugarG > 0 ? 'sugar' : 'sweetener',
      sugarGPerL: sugarG / volumeL,
    })),
    ...blended.map(({ at }): Turn => ({ ...none, ...when(at), what: 'blend', sugarGPerL: 0 })),
  ].sort((a, b) => a.at - b.at);
}
/** A pH meter nobody calibrated, as it was taken when readings did not say. */
const PH_PLUS_MINUS = 0.2;

/** What a parcel of old kept of fruit, juice or malt: sugar and pulp, the rest taken for water. */
const asFarAsKnown = ({ massG, sugarG, insolubleG }: Omit<Pour, 'composition'>): Composition => ({
  sugar: massG > 0 ? sugarG / massG : 0,
  unfermentable: 0,
  insoluble: massG > 0 ? insolubleG / massG : 0,
  ammoniumNMgPerKg: 0,
  aminoNMgPerKg: 0,
  acidGPerKg: 0,
});

/** What a parcel of old kept of its honeys says nothing of their water: they are taken for the mean honey. */
function poursOf({ honeys = [], additions = [] }: FlatLedger): Pour[] {
  const composition = honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable);
  const family: Family = 'honey';
  const none = { insolubleG: 0, bagOutAt: null };
  return [
    ...honeys.map((honey, i) => ({
      ...honey,
      ...none,
      eventId: `honey ${i}`,
      family,
      composition,
      sugarG: honey.massG * composition.sugar,
    })),
    ...additions.map((other) => ({ ...other, composition: asFarAsKnown(other) })),
  ].sort((a, b) => a.at - b.at);
}

/** Those beside a gravity, where only the last was kept by itself. */
function tempsOf({ temps, tempC, readings = [] }: FlatLedger): Temperature[] {
  if (temps !== undefined) return temps;
  const known = readings.flatMap(({ at, tempC: warm }) => (warm === null ? [] : [{ at, tempC: warm }]));
  const isLater = tempC !== undefined && tempC !== null && !known.some(({ at }) => at === tempC.at);
  return isLater ? [...known, { at: tempC.at, tempC: tempC.value }] : known;
}

/** Before the guard was kept, what was given after the pitch is what guards. */
function guardOf({ pitch, sulfites = [], so2Mg = 0, sorbicMg = 0 }: FlatLedger): Pick<InVessel, 'guardSo2Mg' | 'guardSorbicMg'> {
  const isGiven = pitch !== undefined && pitch !== null && sulfites.some(({ at }) => at > pitch.at);
  return { guardSo2Mg: isGiven ? so2Mg : 0, guardSorbicMg: sorbicMg };
}

/** What of this has a place in that; the rest is left where it is. */
const only = <T extends object>(empty: T, from: object): T =>
  Object.fromEntries(
    Object.entries(empty).map(([name, none]) => [name, (from as Record<string, unknown>)[name] ?? (none as unknown)]),
  ) as T;

function grouped(flat: FlatLedger): Ledger {
  const { liquid, history, care } = emptyLedger();
  const ledger: Ledger = {
    version: LEDGER_VERSION,
    liquid: only(liquid, { ...guardOf(flat), ...flat }),
    history: only(history, {
      ...flat,
      pitch:
        (flat.pitch ?? null) === null
          ? null
          : { ...flat.pitch, broughtNMgPerL: (flat.pitch as { broughtNMgPerL?: number }).broughtNMgPerL ?? 0 },
      readings: (flat.readings ?? []).map((reading) => ({ instrument: 'hydrometer', ...reading })),
      ph: (flat.ph ?? null) === null ? null : { plusMinus: PH_PLUS_MINUS, ...flat.ph },
      temps: tempsOf(flat),
      pours: poursOf(flat),
      lees: leesOf(flat.leesMm),
      doses: (flat.doses ?? []).map((dose) => {
        const { name, ammoniumN, aminoN } = nutrientOf(dose);
        return { name, ammoniumNMg: dose.massG * ammoniumN * 1000, aminoNMg: dose.massG * aminoN * 1000, ...dose };
      }),
    }),
    care: only(care, flat),
    taken: flat.taken ?? {},
  };
  const guard = flat.guarded as OldGuard | null | undefined;
  return {
    ...ledger,
    history: { ...ledger.history, turns: turnsOf(ledger), guarded: guardBy(guard, flat.unsweetened ? grouped(flat.unsweetened) : ledger) },
  };
}

/** What version 3 did not keep yet is none of it. */
function widened(stored: ThirdLedger): Ledger {
  const { leesMm, ...kept } = stored.history;
  const { unsweetened = null, bottled = null, ...same } = kept;
  const before = unsweetened === null ? null : upcastLedger(unsweetened);
  const ledger: Ledger = {
    ...stored,
    version: LEDGER_VERSION,
    history: {
      ...emptyLedger().history,
      ...same,
      lees: kept.lees ?? leesOf(leesMm),
      guarded: null,
      bottled: bottledBy(bottled),
    },
  };
  const turns = turnsOf(ledger);
  return { ...ledger, history: { ...ledger.history, turns, guarded: guardBy(kept.guarded, before ?? ledger) } };
}

const NEWER = 'This was written by a newer Hollow Bell than this one. Start the newer program; nothing of it is lost.';

/** A parcel, or a ledger, of any version as one of this. @throws Refusal for a newer one */
export function upcastLedger(stored: { version?: number }): Ledger {
  const version = stored.version ?? 1;
  if (version > LEDGER_VERSION) throw new Refusal(NEWER);
  if (version === LEDGER_VERSION) return stored as Ledger;
  return version >= GROUPED_SINCE ? widened(stored as ThirdLedger) : grouped(stored as FlatLedger);
}

/** An entry of any version as one of this. @throws Refusal for a newer one */
export function upcast<E extends Pick<BatchEvent, 'kind' | 'payload' | 'version'>>(stored: E): E {
  if ((stored.version ?? 1) > RECORD_VERSION) throw new Refusal(NEWER);
  const event = { ...stored, version: RECORD_VERSION };
  if (event.kind !== 'transferIn') return event;
  const payload = event.payload as { parcel: { version?: number } };
  return { ...event, payload: { ...payload, parcel: upcastLedger(payload.parcel) } };
}
