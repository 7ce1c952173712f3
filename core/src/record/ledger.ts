import { noMasses } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import type { SulfiteSalt } from '../preservatives/index.ts';
import type { Immutable } from '../quantities/index.ts';
import type { OwnYeast } from '../yeast/index.ts';
import type { Filled } from '../vessel/index.ts';
import type { CoreReading } from '../heat/index.ts';
import type { GateByWord, Look, Prickle, SeenBeside } from './kinds.ts';
import type { BaseSalt, BottleEnd, BottleRow, CureMade, FiningId, Mark, NutrientId, RemovalReason, StallCauseId } from './kinds.ts';
import type { Drinks, Priming, SheetPart } from './kinds.ts';
import type { Pour, ReadingPoint, Temperature } from './points.ts';

export type { Pour, ReadingPoint, Temperature } from './points.ts';

/** What moved the level of a pitched mead otherwise than by fermenting, or may have brought new life. */
export interface Turn {
  at: number;
  /** How many readings stood before it. */
  reads: number;
  /** `sweetener` for whatever brought extract and no sugar. */
  what: 'sugar' | 'sweetener' | 'water' | 'yeast' | 'blend';
  /** Fermentable sugar that it brought, g in a liter of what was there then. */
  sugarGPerL: number;
  shiftSg: number;
  /** As the ledger had it just before, and what it was going to end at. */
  sgBefore: number;
  sgAfter: number;
  endSg: number;
  /** Fermentable sugar just before it, g/L. */
  sugarBeforeGPerL: number;
  /** Another mead, both of them guarded, as it was. */
  guardedToo: Ledger | null;
}

/** What is in the vessel, by mass, and what is dissolved in it. */
export interface InVessel extends Masses {
  /** Nutrients, sulfite and sorbate; too little to move the gravity. */
  saltsG: number;
  /** Yeast, pitched and grown, most of it on the bottom. */
  yeastG: number;
  /** Fermentable sugar that the present liquid holds or once held. */
  sugarBasisG: number;
  ammoniumNMg: number;
  aminoNMg: number;
  /** Nitrogen that fruit, juice and malt brought, apart from what was fed. */
  broughtAmmoniumNMg: number;
  broughtAminoNMg: number;
  /** Titratable acid that ingredients brought, as tartaric; part of the unfermentable extract. */
  acidG: number;
  so2Mg: number;
  sorbicMg: number;
  /** What guards against new life: SO2 and sorbic acid given since yeast last went in, still in this liquid. */
  guardSo2Mg: number;
  guardSorbicMg: number;
  /** All that was ever poured, became gas, or left. */
  pouredG: number;
  co2G: number;
  removedG: number;
}

/** What fermenting turns into one another. */
export const FERMENTS = ['sugarG', 'unfermentableG', 'ethanolG', 'co2G', 'yeastG'] as const satisfies readonly (keyof InVessel)[];

export type DoubtedFigure = 'sg' | 'abv' | 'sugarGPerL' | 'shareGone';

/** Enough of sulfite and sorbate, with the doses that this volume then needed; or heat, which killed what lived in it. */
export type Guard = GuardBegun & ({ by: 'dose'; so2MgPerL: number; sorbicMgPerL: number } | { by: 'heat' });
/** When it began, how many readings stood before it, at which gravity and sugar, and what the mead was going to end at. */
interface GuardBegun {
  at: number;
  reads: number;
  sg: number;
  endSg: number;
  sugarGPerL: number;
}

/** One session of bottling. */
export interface Filling {
  eventId: string;
  at: number;
  bottles: BottleRow[];
  /** The sugar that was stirred in for gas, all of it, also what an earlier session left in the vessel. */
  primings: Priming[];
  /** What was put into each bottle by itself, its grams with the bottles. */
  each: Omit<Priming, 'gPerL'> | null;
  /** °C, the warmest since it ended, as the maker knew it. */
  warmestC: number | null;
  /** L that was measured after racking, and whether a second time; null where nothing was primed. */
  measured: { volumeL: number; again: boolean } | null;
  otherCost: number;
  /** The maker's yes to what the judgement asked, as it was worded. */
  word: string | null;
  /** The mead just before its priming sugar. */
  mead: Ledger;
}

export interface Tasting {
  eventId: string;
  at: number;
  words: string;
  who: string | null;
  sheet: Partial<Record<SheetPart, string | undefined>>;
  /** Of the house's own scale. */
  score: { value: number; of: number } | null;
  drinks: Drinks | null;
  isBlind: boolean;
}

/** What was read, poured and done, and when. */
export interface History {
  predictedOg: number | null;
  measuredOg: number | null;
  pitch: {
    at: number;
    yeastId: string;
    name: string;
    massG: number;
    own?: OwnYeast | undefined;
    volumeL: number;
    sg: number;
    sugarGPerL: number;
    /** mg N/L that the must brought of itself, honey's own aside. */
    broughtNMgPerL: number;
  } | null;
  /** Yeast that went in after the pitch. */
  yeasts: { at: number; yeastId: string; own?: OwnYeast | undefined }[];
  turns: Turn[];
  readings: ReadingPoint[];
  /** What fermenting changes, as it was before the last reading; null once anything else was done. */
  beforeReading: Pick<InVessel, (typeof FERMENTS)[number]> | null;
  ph: { value: number; plusMinus: number; at: number } | null;
  /** Titratable acid as tartaric, g/L. */
  ta: { value: number; at: number } | null;
  /** mg/L. */
  freeSo2: { value: number; at: number } | null;
  /** How high the lees stood, oldest first. */
  lees: { mm: number; at: number }[];
  /** Of the must, as read with a gravity or alone; in order. */
  temps: Temperature[];
  pours: Pour[];
  strainedAt: number | null;
  /** How unsure its figures were when it was split off, below and above; null where it was poured here. */
  doubt: Record<DoubtedFigure, readonly [below: number, above: number]> | null;
  /** `born`: the batch began with it; `in`: it was poured into what was there. */
  transfers: {
    at: number;
    batchId: string;
    name: string;
    volumeL: number;
    direction: 'born' | 'in' | 'out';
    /** Born: what was split off with it. */
    beside?: { batchId: string; name: string }[];
  }[];
  doses: {
    at: number;
    source: NutrientId;
    name: string;
    massG: number;
    ammoniumNMg: number;
    aminoNMg: number;
    dose: number | null;
  }[];
  sulfites: { at: number; salt: SulfiteSalt; massG: number }[];
  sorbates: { at: number; massG: number }[];
  bases: { at: number; salt: BaseSalt; massG: number }[];
  finings: { at: number; fining: FiningId; name: string; massG: number }[];
  heats: { at: number; tempC: number; minutes: number }[];
  filters: { at: number; through: string }[];
  /** While it was heated, in order. */
  cores: CoreReading[];
  looks: { at: number; through: Look; beside: SeenBeside[] }[];
  prickles: { at: number; prickle: Prickle }[];
  words: Partial<Record<GateByWord, { at: number; says: string }>>;
  marks: Partial<Record<Mark, number>>;
  losses: { at: number; volumeL: number; why: RemovalReason | 'racking' | 'split' }[];
  rackedAt: number | null;
  /** What it was put into, as it was filled then; none where it still stands where its plan put it. */
  vessels: Filled[];
  place: { name: string; at: number } | null;
  /** What keeps it from new life, and since when; null while nothing does. */
  guarded: Guard | null;
  /** What was closed, of all sessions together, and when the last was; `stays` where the rest is still in its vessel. */
  bottled: { at: number; bottles: BottleRow[]; stays: boolean; fillings: Filling[] } | null;
  /** Sugar for gas that is stirred into what is in the vessel. */
  primings: Priming[];
  bottlesOut: { at: number; count: number; end: BottleEnd; sizeMl: number | null; to: string | null }[];
  bottlesFound: { at: number; count: number }[];
  /** How many are kept back, and until when; null for nobody knows how long. */
  bottlesKept: { at: number; count: number; until: number | null };
  tastings: Tasting[];
  /** What to do otherwise next time, and what was thought of it in the end. */
  nextTime: { eventId: string; at: number; text: string }[];
  /** Where its past was not written down: since when it is on record, and what its maker knew. */
  found: { at: number; knows: string } | null;
  lastEventAt: number | null;
}

/** What its maker found out, tried and put off. */
export interface Care {
  findings: Partial<Record<StallCauseId, boolean>>;
  /** What was tried against a stall, in order. */
  cures: { at: number; cure: CureMade; toC: number | null }[];
  /** By the ask's name; `until` is null where it is left for good. */
  putOff: Record<string, { at: number; until: number | null }>;
  restart: { at: number; volumeL: number; sg: number; doneAt: Record<number, number> } | null;
  /** The maker's word that it rests here, above where it was expected. */
  staysHereAt: number | null;
}

/** A ledger in the hands of the fold; JSON throughout. Only what a happening does to it writes here. */
export interface Folding {
  /** Which shape and which rules it was folded by; one of another version is folded again. */
  version: number;
  liquid: InVessel;
  history: History;
  care: Care;
  /** Grams taken from each lot of the shelf. */
  taken: Record<string, number>;
}

/** The state of a batch, for reading only: what is in the vessel, and what has been done. */
export type Ledger = Immutable<Folding>;

/** Raised when the fold’s rules or this shape change: what is stored of older ones is folded again. */
export const LEDGER_VERSION = 7;

const nothing = (): InVessel => ({
  ...noMasses(),
  saltsG: 0,
  yeastG: 0,
  sugarBasisG: 0,
  ammoniumNMg: 0,
  aminoNMg: 0,
  broughtAmmoniumNMg: 0,
  broughtAminoNMg: 0,
  acidG: 0,
  so2Mg: 0,
  sorbicMg: 0,
  guardSo2Mg: 0,
  guardSorbicMg: 0,
  pouredG: 0,
  co2G: 0,
  removedG: 0,
});

const untouched = (): History => ({
  predictedOg: null,
  measuredOg: null,
  pitch: null,
  yeasts: [],
  turns: [],
  readings: [],
  beforeReading: null,
  ph: null,
  ta: null,
  freeSo2: null,
  lees: [],
  temps: [],
  pours: [],
  strainedAt: null,
  doubt: null,
  transfers: [],
  doses: [],
  sulfites: [],
  sorbates: [],
  bases: [],
  finings: [],
  heats: [],
  filters: [],
  cores: [],
  looks: [],
  prickles: [],
  words: {},
  marks: {},
  losses: [],
  rackedAt: null,
  vessels: [],
  place: null,
  guarded: null,
  bottled: null,
  primings: [],
  bottlesOut: [],
  bottlesFound: [],
  bottlesKept: { at: 0, count: 0, until: null },
  tastings: [],
  nextTime: [],
  found: null,
  lastEventAt: null,
});

const unminded = (): Care => ({ findings: {}, cures: [], putOff: {}, restart: null, staysHereAt: null });

export const emptyLedger = (): Folding => ({
  version: LEDGER_VERSION,
  liquid: nothing(),
  history: untouched(),
  care: unminded(),
  taken: {},
});

/** A ledger of its own, sharing nothing with the first. */
export const copyOf = (ledger: Ledger): Folding => JSON.parse(JSON.stringify(ledger)) as Folding;
