import type { GravityInstrument, Liquid, Mixed } from '../liquid/index.ts';
import type { Family } from '../ingredients/index.ts';
import type { SulfiteSalt } from '../preservatives/index.ts';
import type { Immutable } from '../quantities/index.ts';
import type { OwnYeast } from '../yeast/index.ts';
import type { BaseSalt, Bottles, CureMade, Mark, NutrientId, StallCauseId } from './kinds.ts';

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
}

/** The state of a batch: what is in the vessel, by mass, and what has been done. JSON throughout. */
export interface Temperature {
  at: number;
  tempC: number;
}

export type DoubtedFigure = 'sg' | 'abv' | 'sugarGPerL' | 'shareGone';

export interface Ledger {
  /** Which shape and which rules it was folded by; one of another version is folded again. */
  version: number;
  waterG: number;
  /** Fermentable sugar still there. */
  sugarG: number;
  /** Dissolved and raising the gravity, but not for the yeast: higher sugars, acids, minerals, glycerol. */
  unfermentableG: number;
  ethanolG: number;
  /** Pulp, skins and seeds: beside the liquid, not in it. */
  insolubleG: number;
  /** Nutrients, sulfite and sorbate; too little to move the gravity. */
  saltsG: number;
  /** Yeast, pitched and grown, most of it on the bottom. */
  yeastG: number;
  pouredG: number;
  co2G: number;
  removedG: number;
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
  readings: ReadingPoint[];
  ph: { value: number; plusMinus: number; at: number } | null;
  /** Titratable acid as tartaric, g/L. */
  ta: { value: number; at: number } | null;
  /** mg/L. */
  freeSo2: { value: number; at: number } | null;
  leesMm: { value: number; at: number } | null;
  /** Of the must, as read with a gravity or alone; in order. */
  temps: Temperature[];
  honeys: { at: number; name: string; massG: number; afterPitch: boolean }[];
  additions: {
    eventId: string;
    at: number;
    name: string;
    family: Family;
    massG: number;
    sugarG: number;
    insolubleG: number;
    afterPitch: boolean;
    bagOutAt: number | null;
  }[];
  strainedAt: number | null;
  /** How unsure its figures were when it was split off, below and above; null where it was poured here. */
  doubt: Record<DoubtedFigure, readonly [below: number, above: number]> | null;
  /** `born`: the batch began with it; `in`: it was poured into what was there. */
  transfers: { at: number; batchId: string; name: string; volumeL: number; direction: 'born' | 'in' | 'out' }[];
  /** Grams taken from each lot of the shelf. */
  taken: Record<string, number>;
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
  findings: Partial<Record<StallCauseId, boolean>>;
  /** What was tried against a stall, in order. */
  cures: { at: number; cure: CureMade; toC: number | null }[];
  /** By the ask's name; `until` is null where it is left for good. */
  putOff: Record<string, { at: number; until: number | null }>;
  restart: { at: number; volumeL: number; sg: number; doneAt: Record<number, number> } | null;
  marks: Partial<Record<Mark, number>>;
  losses: { at: number; volumeL: number; why: 'sample' | 'foam' | 'spill' | 'lees' | 'racking' | 'split' }[];
  rackedAt: number | null;
  /** Since when enough of sulfite and sorbate is in it, with the doses that this volume then needed; null while it is not. */
  guarded: { at: number; so2MgPerL: number; sorbicMgPerL: number } | null;
  /** The mead just before sugar went into it under that guard; null while none did. */
  unsweetened: Ledger | null;
  /** The maker's word that it rests here, above where it was expected. */
  staysHereAt: number | null;
  /** What was closed, and the mead as it was then. */
  bottled: { at: number; bottles: Bottles; mead: Ledger } | null;
  lastEventAt: number | null;
}

/** Raised when the fold’s rules or this shape change: what is stored of older ones is folded again at the next start. */
export const LEDGER_VERSION = 2;

export const emptyLedger = (): Ledger => ({
  version: LEDGER_VERSION,
  waterG: 0,
  sugarG: 0,
  unfermentableG: 0,
  ethanolG: 0,
  insolubleG: 0,
  saltsG: 0,
  yeastG: 0,
  pouredG: 0,
  co2G: 0,
  removedG: 0,
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
  predictedOg: null,
  measuredOg: null,
  pitch: null,
  readings: [],
  ph: null,
  ta: null,
  freeSo2: null,
  leesMm: null,
  temps: [],
  honeys: [],
  additions: [],
  strainedAt: null,
  doubt: null,
  transfers: [],
  taken: {},
  doses: [],
  sulfites: [],
  sorbates: [],
  bases: [],
  findings: {},
  cures: [],
  putOff: {},
  restart: null,
  marks: {},
  losses: [],
  rackedAt: null,
  guarded: null,
  unsweetened: null,
  staysHereAt: null,
  bottled: null,
  lastEventAt: null,
});

/** What is dissolved, as density sees it. */
export const liquidOf = (ledger: Ledger): Liquid => ({
  waterG: ledger.waterG,
  extractG: ledger.sugarG + ledger.unfermentableG,
  ethanolG: ledger.ethanolG,
});

/** Everything still in the vessel, g. */
export const contentsG = (ledger: Ledger): number =>
  ledger.waterG + ledger.sugarG + ledger.unfermentableG + ledger.ethanolG + ledger.insolubleG + ledger.saltsG + ledger.yeastG;

/** What was poured, less what is still there and what left: 0 within rounding, or the fold is wrong. */
export const massImbalanceG = (ledger: Ledger): number => ledger.pouredG - contentsG(ledger) - ledger.co2G - ledger.removedG;

export interface LedgerView extends Mixed {
  sugarGPerL: number;
  /** 0 to 1, of the fermentable sugar. */
  shareGone: number;
  /** mg N/L given and still in this liquid or its yeast. */
  nitrogenMgPerL: number;
}

/** Every amount that goes with the liquid when part of it is taken out. */
export const MASS_FIELDS = [
  'waterG',
  'sugarG',
  'unfermentableG',
  'ethanolG',
  'saltsG',
  'sugarBasisG',
  'ammoniumNMg',
  'aminoNMg',
  'broughtAmmoniumNMg',
  'broughtAminoNMg',
  'acidG',
  'so2Mg',
  'sorbicMg',
  'guardSo2Mg',
  'guardSorbicMg',
] as const satisfies readonly (keyof Ledger)[];

export function scaleMasses(ledger: Ledger, keep: number): void {
  for (const field of MASS_FIELDS) ledger[field] *= keep;
}

/** A ledger of its own, sharing nothing with the first. */
export const copyOf = (ledger: Immutable<Ledger>): Ledger => JSON.parse(JSON.stringify(ledger)) as Ledger;
