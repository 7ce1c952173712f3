import { WATER_20_KG_PER_M3 } from '../liquid/index.ts';
import { CENTRAL_ASSUMPTIONS } from './assumptions.ts';
import type { Assumptions } from './assumptions.ts';
import { standingEvents } from './events.ts';
import type { BatchEvent, EventOf, StandingEvent } from './events.ts';
import { broughtBy, honeySolids } from '../ingredients/index.ts';
import type { Brought } from '../ingredients/index.ts';
import { contentsG, copyOf, emptyLedger, scaleMasses } from './ledger.ts';
import type { Ledger } from './ledger.ts';
import { breakGuard, judgeGuard, keepUnsweetened } from './guard.ts';
import { BASE_SALTS, TARTARIC_G_PER_EQUIVALENT, nutrientOf } from './salts.ts';
import { settleStay } from './staysHere.ts';
import { takeReading } from './takeReading.ts';
import { receive } from './transfer.ts';
import { mixedOf } from './view.ts';
import { SO2_IN, SORBIC_IN_SORBATE } from '../preservatives/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import type { Immutable } from '../quantities/index.ts';

function pourWater(ledger: Ledger, massG: number): void {
  ledger.waterG += massG;
  ledger.pouredG += massG;
}

function pourSalt(ledger: Ledger, massG: number): void {
  ledger.saltsG += massG;
  ledger.pouredG += massG;
}

/** Takes this fraction of everything dissolved out of the vessel. */
function removeFraction(ledger: Ledger, fraction: number): void {
  const before = contentsG(ledger);
  scaleMasses(ledger, 1 - Math.min(1, Math.max(0, fraction)));
  ledger.removedG += before - contentsG(ledger);
}

/** Takes pulp out with the liquid that clings to it; what is lifted beyond the pulp's own mass is liquid. */
function strainPulp(ledger: Ledger, massG: number, share: number): void {
  const pulpG = Math.min(ledger.insolubleG * share, massG);
  ledger.insolubleG -= pulpG;
  ledger.removedG += pulpG;
  const liquidG = contentsG(ledger) - ledger.yeastG - ledger.insolubleG;
  if (liquidG > 0) removeFraction(ledger, (massG - pulpG) / liquidG);
}

function pour(ledger: Ledger, brought: Brought, massG: number): void {
  ledger.waterG += brought.waterG;
  ledger.sugarG += brought.sugarG;
  ledger.unfermentableG += brought.unfermentableG;
  ledger.insolubleG += brought.insolubleG;
  ledger.sugarBasisG += brought.sugarG;
  ledger.pouredG += massG;
}

function takeFromShelf(ledger: Ledger, lotId: string | undefined, amount: number): void {
  if (lotId !== undefined) ledger.taken[lotId] = (ledger.taken[lotId] ?? 0) + amount;
}

function takeIngredient(ledger: Ledger, event: Immutable<EventOf<'ingredient'>>, assumptions: Assumptions): void {
  const { name, family, massG, composition, sugarSpread, bagDays } = event.payload;
  const brought = broughtBy(massG, composition, 1 + sugarSpread * assumptions.sugarShift);
  keepUnsweetened(ledger, brought.sugarG);
  pour(ledger, brought, massG);
  ledger.broughtAmmoniumNMg += (massG * composition.ammoniumNMgPerKg) / 1000;
  ledger.broughtAminoNMg += (massG * composition.aminoNMgPerKg) / 1000;
  ledger.acidG += (massG * composition.acidGPerKg) / 1000;
  ledger.additions.push({
    eventId: event.id,
    at: event.happenedAt,
    name,
    family,
    massG,
    sugarG: brought.sugarG,
    insolubleG: brought.insolubleG,
    afterPitch: ledger.pitch !== null,
    bagOutAt: bagDays === undefined ? null : event.happenedAt + bagDays * DAY_MS,
  });
}

/** What an event does to the state. It may read the event, never write into it. */
function applyEvent(ledger: Ledger, event: Immutable<StandingEvent>, assumptions: Assumptions): void {
  const at = event.happenedAt;
  if (event.kind !== 'transferIn') ledger.lastEventAt = at;
  if ('lotId' in event.payload && 'massG' in event.payload) takeFromShelf(ledger, event.payload.lotId, event.payload.massG);
  switch (event.kind) {
    case 'honey': {
      const { name, massG, moisture, unfermentable } = event.payload;
      const solids = honeySolids(massG, moisture + assumptions.moistureShift, unfermentable * assumptions.unfermentableScale);
      keepUnsweetened(ledger, solids.sugarG);
      pour(ledger, { ...solids, insolubleG: 0 }, massG);
      ledger.honeys.push({ at, name, massG, afterPitch: ledger.pitch !== null });
      break;
    }
    case 'ingredient':
      takeIngredient(ledger, event, assumptions);
      break;
    case 'water':
      pourWater(ledger, event.payload.volumeL * assumptions.waterScale * WATER_20_KG_PER_M3);
      break;
    case 'yeast': {
      const { yeastId, name, massG, own } = event.payload;
      const must = mixedOf(ledger);
      breakGuard(ledger);
      ledger.yeastG += massG;
      ledger.pouredG += massG;
      ledger.pitch ??= {
        at,
        yeastId,
        name,
        massG,
        ...(own === undefined ? {} : { own }),
        volumeL: must?.volumeL ?? 0,
        sg: must?.sg ?? 1,
        sugarGPerL: must === null ? 0 : ledger.sugarG / must.volumeL,
        broughtNMgPerL: must === null ? 0 : (ledger.broughtAmmoniumNMg + ledger.broughtAminoNMg) / must.volumeL,
      };
      break;
    }
    case 'nutrient': {
      const { source, massG, dose, own } = event.payload;
      const { name, ammoniumN, aminoN } = nutrientOf({ source, own });
      const [ammoniumNMg, aminoNMg] = [massG * ammoniumN * 1000, massG * aminoN * 1000];
      pourSalt(ledger, massG);
      ledger.ammoniumNMg += ammoniumNMg;
      ledger.aminoNMg += aminoNMg;
      ledger.doses.push({ at, source, name, massG, ammoniumNMg, aminoNMg, dose: dose ?? null });
      break;
    }
    case 'sulfite': {
      const so2Mg = event.payload.massG * SO2_IN[event.payload.salt] * 1000;
      pourSalt(ledger, event.payload.massG);
      ledger.so2Mg += so2Mg;
      ledger.guardSo2Mg += so2Mg;
      ledger.sulfites.push({ at, ...event.payload });
      break;
    }
    case 'sorbate': {
      const sorbicMg = event.payload.massG * SORBIC_IN_SORBATE * 1000;
      pourSalt(ledger, event.payload.massG);
      ledger.sorbicMg += sorbicMg;
      ledger.guardSorbicMg += sorbicMg;
      ledger.sorbates.push({ at, ...event.payload });
      break;
    }
    case 'base': {
      const { salt, massG } = event.payload;
      pourSalt(ledger, massG);
      const neutralizedG = (massG / BASE_SALTS[salt].gPerEquivalent) * TARTARIC_G_PER_EQUIVALENT;
      ledger.acidG = Math.max(0, ledger.acidG - neutralizedG);
      ledger.bases.push({ at, salt, massG });
      break;
    }
    case 'finding':
      ledger.findings[event.payload.cause] = event.payload.holds;
      break;
    case 'cure':
      ledger.cures.push({ at, cure: event.payload.cure, toC: event.payload.toC ?? null });
      break;
    case 'putOff':
      ledger.putOff[event.payload.ask] = { at, until: event.payload.until ?? null };
      break;
    case 'restart':
      ledger.restart = { at, ...event.payload, doneAt: {} };
      break;
    case 'restartStep':
      if (ledger.restart !== null) ledger.restart.doneAt[event.payload.index] = at;
      break;
    case 'staysHere':
      settleStay(ledger);
      ledger.staysHereAt = at;
      break;
    case 'removal': {
      const before = mixedOf(ledger);
      if (before === null) break;
      removeFraction(ledger, event.payload.volumeL / before.volumeL);
      ledger.losses.push({ at, volumeL: event.payload.volumeL, why: event.payload.reason });
      break;
    }
    case 'reading':
      takeReading(ledger, event, assumptions);
      break;
    case 'rack': {
      const before = mixedOf(ledger);
      ledger.rackedAt = at;
      if (before === null) break;
      const lostL = Math.max(0, before.volumeL - event.payload.volumeL);
      removeFraction(ledger, lostL / before.volumeL);
      ledger.removedG += ledger.yeastG + ledger.insolubleG;
      ledger.yeastG = 0;
      ledger.insolubleG = 0;
      ledger.losses.push({ at, volumeL: lostL, why: 'racking' });
      break;
    }
    case 'bottling': {
      const bottles = event.payload.bottles.map((each) => ({ ...each }));
      const before = mixedOf(ledger);
      const earlier = ledger.bottled;
      ledger.bottled = { at, bottles: [...(earlier?.bottles ?? []), ...bottles], mead: copyOf({ ...ledger, bottled: null }) };
      if (before === null) break;
      const bottledL = bottles.reduce((sum, bottle) => sum + (bottle.sizeMl * bottle.count) / 1000, 0);
      removeFraction(ledger, bottledL / before.volumeL);
      break;
    }
    case 'strain':
      strainPulp(ledger, event.payload.massG, event.payload.share);
      ledger.strainedAt = at;
      break;
    case 'transferIn': {
      const { fromBatchId, fromName, volumeL, parcel } = event.payload;
      const direction = receive(ledger, parcel);
      ledger.lastEventAt = at;
      ledger.transfers.push({ at, batchId: fromBatchId, name: fromName, volumeL, direction });
      break;
    }
    case 'transferOut': {
      const { toBatchId, toName, volumeL } = event.payload;
      const before = mixedOf(ledger);
      ledger.transfers.push({ at, batchId: toBatchId, name: toName, volumeL, direction: 'out' });
      ledger.losses.push({ at, volumeL, why: 'split' });
      if (before !== null) removeFraction(ledger, volumeL / before.volumeL);
      break;
    }
    case 'note':
      if (event.payload.mark !== undefined) ledger.marks[event.payload.mark] = at;
      break;
  }
  judgeGuard(ledger, at);
  if (ledger.pitch === null) ledger.predictedOg = ledger.measuredOg === null ? (mixedOf(ledger)?.sg ?? null) : ledger.predictedOg;
}

/**
 * The states of a batch one after the other: `before` is asked for each event with the state that it met. What it throws ends the fold.
 *
 * @returns the state after the last event
 */
export function foldAlong(events: readonly StandingEvent[], before: (state: Ledger, event: StandingEvent) => void): Ledger {
  const ledger = emptyLedger();
  for (const event of events) {
    before(ledger, event);
    applyEvent(ledger, event, CENTRAL_ASSUMPTIONS);
  }
  return ledger;
}

/** The state of a batch after all its events, amendments applied, in the order in which things happened. */
export function fold(events: readonly BatchEvent[], assumptions: Assumptions = CENTRAL_ASSUMPTIONS): Ledger {
  const ledger = emptyLedger();
  for (const event of standingEvents(events)) applyEvent(ledger, event, assumptions);
  return ledger;
}

/** The events up to the first bottling; all of them where there is none. */
export function beforeBottling(events: readonly BatchEvent[]): readonly BatchEvent[] {
  const standing = standingEvents(events);
  const first = standing.findIndex(({ kind }) => kind === 'bottling');
  return first < 0 ? events : standing.slice(0, first);
}

/** The state just before a moment, for judging what was decided then. */
export function foldUntil(events: readonly BatchEvent[], at: number): Ledger {
  const ledger = emptyLedger();
  for (const event of standingEvents(events)) {
    if (event.happenedAt >= at) break;
    applyEvent(ledger, event, CENTRAL_ASSUMPTIONS);
  }
  return ledger;
}
