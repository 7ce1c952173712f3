/* The record of a batch: what happened, the state it folds to, and figures of that state with their ranges. */
export { ASSUMPTION_NAMES, ASSUMPTION_RANGES, CENTRAL_ASSUMPTIONS, assumptionInputs, assumptionsFrom } from './assumptions.ts';
export type { Assumptions } from './assumptions.ts';
export { broughtUnder } from './brought.ts';
export { eventsAt } from './build.ts';
export { CHEMICAL_IDS, chemicalCalled, chemicalEntry, chemicalOf } from './chemicals.ts';
export type { ChemicalId } from './chemicals.ts';
export { eventSentence, inKeeping, logOf, standingEvents } from './events.ts';
export type { BatchEvent, EventContent, EventKind, EventOf, LogEntry, Payloads, Replacement, StandingEvent } from './events.ts';
export { drippingOf } from './dripping.ts';
export { doubtOf, ledgerFigures, ledgerWorking } from './figures.ts';
export type { LedgerFigure } from './figures.ts';
export { beforeBottling, fold, foldAlong, foldUntil, ledgerAfter } from './fold.ts';
export { gravityRead } from './gravityRead.ts';
export type { GravityRead, Seen } from './gravityRead.ts';
export { GUARD, guardNeeded } from './guard.ts';
export type { CorrectedField } from './happening.ts';
export { cureTold } from './happenings/cure.ts';
export { HAPPENINGS, RECORDED_KINDS } from './happenings/index.ts';
export type { Recorded, RecordedKind } from './happenings/index.ts';
export { ownNutrientShape } from './happenings/nutrient.ts';
export { DISSOLVED, contentsG, massImbalanceG } from './inVessel.ts';
export { CLOSURE_IDS, CONTAINER_IDS, DRINKS, FINING_IDS, NUTRIENT_IDS, SHEET_PARTS } from './kinds.ts';
export type { BottleRow, ClosureId, ContainerId, Drinks, Priming, PrimingId, SheetPart } from './kinds.ts';
export { LOOKS, PRICKLES, SEEN_BESIDE } from './kinds.ts';
export type { GateByWord, Look, Prickle, SeenBeside } from './kinds.ts';
export type { BaseSalt, BottleEnd, CureMade, FiningId, Mark, NutrientId, OwnNutrient, RemovalReason, StallCauseId } from './kinds.ts';
export { LEDGER_VERSION, emptyLedger } from './ledger.ts';
export type { Filling, Guard, Ledger, ReadingPoint, Tasting, Temperature, Turn } from './ledger.ts';
export { likelyEndSg, mostMadeAbv, toleranceOf, toleranceSaid } from './likelyEnd.ts';
export { makeReading } from './makeReading.ts';
export type { HouseInstruments } from './makeReading.ts';
export { CLOCK_SLACK_MS, misdated } from './misdated.ts';
export { parcelOf } from './parcel.ts';
export { BASE_SALTS, NUTRIENTS, TARTARIC_G_PER_EQUIVALENT, nutrientOf } from './salts.ts';
export { STRIP_PLUS_MINUS } from './strip.ts';
export { LEAST_SUGAR_G, abvBeforeSugar, fedSugarAt, provenReadings, stabilizedAt, sugarPours, sweetenedAt } from './sugar.ts';
export { strengthFrom } from './strengthKnown.ts';
export type { StrengthKnown } from './strengthKnown.ts';
export { standsIn } from './standsIn.ts';
export { RECORD_VERSION, upcast, upcastLedger } from './upcast.ts';
export {
  abvWhenDry,
  bottlesLeft,
  honeysPoured,
  isAllBottled,
  mayBeSo,
  meadBottled,
  mixedOf,
  colorsOf,
  othersPoured,
  sgAtShare,
  shareGone,
  tempsSincePitch,
  viewOf,
} from './view.ts';
export { ratedShape } from './happenings/bottling.ts';
