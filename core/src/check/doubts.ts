import { AMMONIUM_CUTOFF_ABV, FIRST_AMMONIUM_H, TOO_LATE_SHARE } from '../yeast/index.ts';
import { N_PER_SUGAR } from '../nitrogen/index.ts';
import { ammoniumCapMgPerL } from '../feed/index.ts';
import { nitrogenMgPerG, productCaution } from '../nitrogen/index.ts';
import { LEAST_SUGAR_G, isAllBottled, ledgerAfter, mixedOf, nutrientOf, shareGone, stabilizedAt, sugarPours } from '../record/index.ts';
import type { EventContent, Ledger, Payloads } from '../record/index.ts';
import { MUST_SULFITE_WAIT_H } from '../preservatives/index.ts';
import { gasBeforeFining } from '../clear/index.ts';
import { HOLD_STOP_C, isCoreJump, isUnderHeat, lastHeating } from '../heat/index.ts';
import {
  HOUR_MS,
  MINUTE_MS,
  abvPct,
  degrees,
  gPerL,
  hours,
  massG,
  mgPerL,
  percent,
  phValue,
  say,
  tempC,
  volumeL,
  weighedG,
  when,
} from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { fillAcross, filledNow } from '../vessel/index.ts';
import { aboutBottling } from './bubbles.ts';
import { DISCARD } from '../rounds/index.ts';
import { firstShutGate, gatesOf } from '../stabilize/index.ts';
import { finishOf } from '../glass/index.ts';
import { doubtsAbout } from '../watch/index.ts';
import { MUST_TEMP_C, SUDDEN_ACID_G_PER_L, yeastOf, yeastToPitchG } from '../yeast/index.ts';

/** What the house holds to where places differ. */
export interface HouseRules {
  /** The legal cap on DAP. */
  dapCapGPerL: number;
  /** No sulfite goes into this batch. */
  noSulfites?: boolean | undefined;
}

/** Above, what lives in a mead spoils it easily; below, few yeasts live, and few meters are right (our estimates). */
const SPOILS_ABOVE_PH = 3.8;
const FEW_LIVE_BELOW_PH = 2.9;
/** Titratable acid of a mead, g/L as tartaric, lies between (our estimate; balance is a matter of taste). */
const USUAL_TA_G_PER_L = { low: 2, high: 12 } as const;
/** More free SO2 than this is smelled by most, mg/L (our estimate). */
const SMELLED_SO2_MG_PER_L = 60;
/** Less yeast than this share of the usual pitch is worth a word (our estimate). */
const LITTLE_YEAST = 0.5;
/** A vessel’s brim is marked about so exactly, as a share of what it holds (our estimate). */
const BRIM_SLACK = 0.01;
/** A temperature of the must counts for the pitch for so long, h (our estimate). */
const WARM_COUNTS_H = 3;
/** Nitrogen beyond this share of the need feeds what spoils (our estimate). */
const TOO_MUCH_NITROGEN = 1.5;

const isSugar = (massG: number, share: number): boolean => massG * share > LEAST_SUGAR_G;

/** Which buffers, and when. */
const CALIBRATED = 'Was the meter set in buffers 4 and 7 today?';

function aboutReading(ledger: Ledger, payload: Payloads['reading'], at: number): Sentence[] {
  const doubts = doubtsAbout(ledger, payload, at);
  const { ph, taGPerL, freeSo2MgPerL } = payload;
  const { pitch, bottled } = ledger.history;
  const floor = pitch === null || bottled !== null ? null : yeastOf(pitch).phFloor;
  if (ph !== undefined && ph > SPOILS_ABOVE_PH)
    doubts.push(
      say`pH ${phValue(ph)} spoils easily, and sulfite hardly guards there. ${CALIBRATED} Below ${phValue(SPOILS_ABOVE_PH)} is safer.`,
    );
  if (ph !== undefined && ph < FEW_LIVE_BELOW_PH)
    doubts.push(say`pH ${phValue(ph)} is lower than musts go. ${CALIBRATED} If it is so, yeast hardly works there.`);
  else if (ph !== undefined && floor !== null && ph < floor && finishOf(ledger).state === 'moving')
    doubts.push(
      say`Below pH ${phValue(floor)} this yeast labors, and may stop. Carbonate raises it: half of what is reckoned, then measure again.`,
    );
  if (taGPerL !== undefined && (taGPerL < USUAL_TA_G_PER_L.low || taGPerL > USUAL_TA_G_PER_L.high))
    doubts.push(
      say`Meads hold ${gPerL(USUAL_TA_G_PER_L.low)} to ${gPerL(USUAL_TA_G_PER_L.high)} of acid as tartaric; ${gPerL(taGPerL)} is beyond. Was the sample degassed, and is it counted as tartaric?`,
    );
  if (freeSo2MgPerL !== undefined && freeSo2MgPerL > SMELLED_SO2_MG_PER_L)
    doubts.push(say`Most smell more than ${mgPerL(SMELLED_SO2_MG_PER_L)} of free SO₂; let it rest before it is drunk.`);
  return doubts;
}

function aboutYeast(ledger: Ledger, payload: Payloads['yeast'], at: number): Sentence[] {
  const doubts: Sentence[] = [];
  const must = mixedOf(ledger);
  const wantedG = must === null ? 0 : yeastToPitchG(must.volumeL, must.sg);
  if (ledger.history.pitch === null && payload.massG < LITTLE_YEAST * wantedG)
    doubts.push(
      say`${massG(payload.massG)} of dry yeast is little where about ${massG(weighedG(wantedG))} is wanted: it starts late and strained. A liquid yeast or slurry is written as about the dry yeast that it stands for.`,
    );
  const warm = ledger.history.temps.findLast((each) => each.at <= at && at - each.at <= WARM_COUNTS_H * HOUR_MS);
  if (warm !== undefined && warm.tempC > MUST_TEMP_C.most)
    doubts.push(
      say`The must read ${tempC(warm.tempC)} ${when(warm.at)}: yeast dies there. Cool it below ${tempC(MUST_TEMP_C.most)} first, better into the yeast’s own range.`,
    );
  else if (warm !== undefined && warm.tempC > yeastOf(payload).tempC.high)
    doubts.push(
      say`The must read ${tempC(warm.tempC)} ${when(warm.at)}, above the ${tempC(yeastOf(payload).tempC.high)} this yeast likes at most; cool it soon.`,
    );
  const sulfite = ledger.history.sulfites.findLast((each) => each.massG > 0 && each.at <= at);
  if (ledger.history.pitch === null && sulfite !== undefined && at - sulfite.at < MUST_SULFITE_WAIT_H * HOUR_MS)
    doubts.push(say`Sulfite went in ${when(sulfite.at)}; it wants its ${hours(MUST_SULFITE_WAIT_H)} before yeast bears it.`);
  if (stabilizedAt(ledger) !== null) doubts.push(say`It is stabilized. Yeast that goes in now undoes that: what guards it counts no more.`);
  return doubts;
}

function aboutNutrient(ledger: Ledger, payload: Payloads['nutrient'], at: number, { dapCapGPerL }: HouseRules): Sentence[] {
  const mixed = mixedOf(ledger);
  if (mixed === null || payload.massG <= 0) return [];
  const doubts: Sentence[] = [];
  const { ammonium, amino } = nitrogenMgPerG({ source: payload.source, own: payload.own });
  const { name } = nutrientOf(payload);
  const { pitch } = ledger.history;
  const capMg = ammoniumCapMgPerL(dapCapGPerL) * mixed.volumeL;
  const roomG = ammonium > 0 ? Math.max(0, capMg - ledger.liquid.ammoniumNMg) / ammonium : Number.POSITIVE_INFINITY;
  if (payload.massG > roomG * (1 + 1e-6))
    doubts.push(
      roomG < 0.05
        ? say`No more ammonium is allowed in this volume: the cap is reached. What goes over it stays as a salty taste and feeds what spoils.`
        : say`At most ${massG(roomG)} of ${name} may go into this volume by the cap; ${massG(payload.massG)} is more. What goes over it stays as a salty taste and feeds what spoils.`,
    );
  if (ammonium > 0 && pitch !== null && at - pitch.at < FIRST_AMMONIUM_H * HOUR_MS)
    doubts.push(say`Ammonium stresses yeast that is waking up: not before ${hours(FIRST_AMMONIUM_H)} after the pitch.`);
  if (ammonium > 0 && pitch !== null && mixed.abv >= AMMONIUM_CUTOFF_ABV)
    doubts.push(say`At ${abvPct(mixed.abv)} ammonium is hardly taken up any more: it stays in the mead. Nothing of it, or hulls.`);
  else if (pitch !== null && shareGone(ledger) >= TOO_LATE_SHARE && ammonium + amino > 0)
    doubts.push(
      say`${percent(100 * shareGone(ledger))} of the sugar is gone: what is fed now is of no use to the yeast, and feeds what spoils.`,
    );
  const needMg = pitch === null ? 0 : N_PER_SUGAR[yeastOf(pitch).demand] * ledger.liquid.sugarBasisG;
  const thenMg = ledger.liquid.ammoniumNMg + ledger.liquid.aminoNMg + payload.massG * (ammonium + amino);
  if (doubts.length === 0 && needMg > 0 && thenMg > TOO_MUCH_NITROGEN * needMg)
    doubts.push(
      say`With this it has ${percent((100 * thenMg) / needMg)} of the nitrogen that it needs. What is left over feeds what spoils. A slip of the comma?`,
    );
  const caution = payload.source === 'cutDap' ? productCaution({ source: 'cutDap' }) : null;
  if (caution !== null) doubts.push([caution]);
  return doubts;
}

/** Sugar into a mead that has ended: it ferments on, unless every gate before honey is open. */
function aboutSugar(ledger: Ledger, at: number): Sentence[] {
  if (ledger.history.pitch === null || isAllBottled(ledger)) return [];
  const isStable = stabilizedAt(ledger) !== null;
  if (!isStable && finishOf(ledger).state === 'moving') return [];
  const shut = firstShutGate(gatesOf(ledger, at));
  if (shut === null) return [];
  return isStable
    ? [[`Before honey one gate is still shut, “${shut.name}”: `, ...shut.sentence, '.']]
    : [say`It is not stabilized: sugar that goes in now ferments on, hours count, and no glass may be closed on it.`];
}

function aboutIngredient(ledger: Ledger, payload: Payloads['ingredient'], at: number): Sentence[] {
  const { massG: grams, composition, name } = payload;
  const doubts = isSugar(grams, composition.sugar) ? aboutSugar(ledger, at) : [];
  const mixed = mixedOf(ledger);
  const suddenGPerL = mixed === null ? 0 : (grams * composition.acidGPerKg) / 1000 / mixed.volumeL;
  const isLive = ledger.history.pitch !== null && stabilizedAt(ledger) === null && finishOf(ledger).state === 'moving';
  if (isLive && suddenGPerL > SUDDEN_ACID_G_PER_L)
    doubts.push(
      say`${name} would bring ${gPerL(suddenGPerL)} of acid into a fermenting must at once; the pH drops and the yeast can stop dead. Give it in parts two days apart, with carbonate at hand.`,
    );
  return doubts;
}

/** The same powder so soon again is a slip more often than a second dose. */
const TWICE_MS = HOUR_MS;
const isTwice = (given: readonly { at: number }[], at: number): boolean => given.some((each) => Math.abs(at - each.at) < TWICE_MS);

/** Sugar that went in first is being eaten by the time the powders come. */
function afterHoney(ledger: Ledger, powder: 'sulfite' | 'sorbate'): Sentence[] {
  const { pitch, guarded } = ledger.history;
  const isIn =
    pitch !== null && guarded === null && finishOf(ledger).state === 'moving' && sugarPours(ledger).some(({ afterPitch }) => afterPitch);
  return isIn
    ? [say`Sugar went in first, and living yeast eats it: ${powder} after it stops nothing surely. Heat would; or let it finish.`]
    : [];
}

function aboutSorbate(ledger: Ledger, beside: readonly EventContent[], at: number): Sentence[] {
  const doubts: Sentence[] = [];
  if (ledger.history.pitch !== null && finishOf(ledger).state !== 'finished')
    doubts.push(say`It is not proven still. Sorbate stops no yeast that works already: the mead ferments on, with a taste of it.`);
  if (isTwice(ledger.history.sorbates, at)) doubts.push(say`Sorbate went in within the hour already. Twice?`);
  const { hazy, clear } = ledger.history.marks;
  if (hazy !== undefined && hazy > (clear ?? Number.NEGATIVE_INFINITY))
    doubts.push(say`It was cloudy at the last look: sorbate keeps yeast from budding, and a cloud of it ferments on. Let it clear first.`);
  doubts.push(...afterHoney(ledger, 'sorbate'));
  if (ledger.liquid.guardSo2Mg <= 0 && !beside.some(({ kind }) => kind === 'sulfite'))
    doubts.push(say`No sulfite is in it. Sorbate alone is turned into a smell of geraniums by bacteria, which nothing removes.`);
  return doubts;
}

function aboutSulfite(ledger: Ledger, at: number, { noSulfites }: HouseRules): Sentence[] {
  if (noSulfites === true) return [say`This batch is to hold no sulfites, by its plan. If it goes in all the same, its label must say so.`];
  if (isTwice(ledger.history.sulfites, at)) return [say`Sulfite went in within the hour already. Twice?`];
  const late = afterHoney(ledger, 'sulfite');
  if (late.length > 0) return late;
  return ledger.history.pitch !== null && finishOf(ledger).state === 'moving'
    ? [say`It still works, by what is on record: sulfite now may stop it halfway, and stops it not surely.`]
    : [];
}

/** What runs over where more is written down than a vessel holds. */
const aboutVessels = (into: Payloads['vessels']['into']): Sentence[] =>
  into
    .filter(({ vessel, volumeL: liters }) => liters > vessel.capacityL * (1 + BRIM_SLACK))
    .map(
      ({ vessel, volumeL: liters }) =>
        say`The ${vessel.name} holds ${volumeL(vessel.capacityL)} to the brim; ${volumeL(liters)} runs over. Is it the right vessel?`,
    );

/** What is poured into vessels that are known, and does not fit. */
function aboutFit(ledger: Ledger, content: EventContent, at: number): Sentence[] {
  if (ledger.history.vessels.length === 0 || isAllBottled(ledger)) return [];
  const after = ledgerAfter(ledger, content, at);
  const presentL = mixedOf(after)?.volumeL ?? 0;
  const fill = fillAcross(filledNow(after.history.vessels, presentL), presentL);
  return fill.overflowL > fill.fillL * BRIM_SLACK
    ? [say`That is ${volumeL(fill.overflowL)} more than fits to the brim: so much runs over, or it stands in another vessel.`]
    : [];
}

/** What grows on it is not answered like a film, and heat is not for closed glass. */
const aboutLook = ({ mark }: Payloads['note']): Sentence[] => (mark === 'mold' || mark === 'retching' ? [DISCARD] : []);
const aboutHeat = (ledger: Ledger, { tempC: warm }: Payloads['heat'], at: number): Sentence[] =>
  !isAllBottled(ledger)
    ? ledger.history.pitch !== null &&
      warm > MUST_TEMP_C.most &&
      finishOf(ledger).state === 'moving' &&
      !isUnderHeat(ledger.history.cores, at)
      ? [say`It still works, by what is on record: at ${tempC(warm)} yeast dies, and what sugar is left stays.`]
      : []
    : [say`It is in bottles. Heat in closed glass bursts it: pasteurize with open bottles, or in bulk before; gas and hot glass hurt.`];

/** Glass between a bath and a mead so far apart may crack, °C (trade practice). */
const GLASS_BEARS_C = 30;

function aboutCore(ledger: Ledger, { coreC, bathC }: Payloads['core'], at: number): Sentence[] {
  const doubts = aboutHeat(ledger, { tempC: coreC, minutes: 0 }, at);
  const before = lastHeating(ledger.history.cores).findLast((each) => each.at <= at);
  const minutes = before === undefined ? 0 : (at - before.at) / MINUTE_MS;
  if (before !== undefined && isCoreJump(before.coreC, coreC, minutes))
    doubts.push(
      say`From ${tempC(before.coreC)} to ${tempC(coreC)} in so short a time: is the probe in the bath, or does it read another scale? The middle of the mead counts.`,
    );
  if (bathC !== undefined && bathC - coreC > GLASS_BEARS_C)
    doubts.push(say`The bath is ${degrees(bathC - coreC)} hotter than the mead: glass may crack. Let it come up together.`);
  if (before === undefined && ledger.liquid.guardSo2Mg > 0)
    doubts.push(say`Sulfite is in it: heat drives it off, and the label’s sulfites were for nothing. After heat none is needed.`);
  if (coreC > HOLD_STOP_C) doubts.push(say`Above ${tempC(HOLD_STOP_C)} the honey cooks: take it off the heat.`);
  return doubts;
}

function aboutFining(ledger: Ledger, { fining }: Payloads['fining']): Sentence[] {
  const gas = fining === 'pectic enzyme' || ledger.history.prickles.length === 0 ? null : gasBeforeFining(ledger);
  return gas === null ? [] : [gas];
}

/**
 * What a careful friend would ask before an entry is written, whichever way it comes; empty for a plain one. Nothing here refuses: the
 * maker writes down what was done, and hears what it means.
 *
 * @param ledger as it stands
 * @param at when it happened, ms since 1970 UTC
 * @param beside what else is written with it
 */
export function entryDoubts(
  ledger: Ledger,
  content: EventContent,
  at: number,
  rules: HouseRules,
  beside: readonly EventContent[] = [],
): Sentence[] {
  switch (content.kind) {
    case 'reading':
      return aboutReading(ledger, content.payload, at);
    case 'yeast':
      return aboutYeast(ledger, content.payload, at);
    case 'nutrient':
      return aboutNutrient(ledger, content.payload, at, rules);
    case 'honey':
      return [
        ...(isSugar(content.payload.massG, 1 - content.payload.moisture) ? aboutSugar(ledger, at) : []),
        ...aboutFit(ledger, content, at),
      ];
    case 'ingredient':
      return [...aboutIngredient(ledger, content.payload, at), ...aboutFit(ledger, content, at)];
    case 'sorbate':
      return aboutSorbate(ledger, beside, at);
    case 'sulfite':
      return aboutSulfite(ledger, at, rules);
    case 'fining':
      return aboutFining(ledger, content.payload);
    case 'core':
      return aboutCore(ledger, content.payload, at);
    case 'note':
      return aboutLook(content.payload);
    case 'rack':
      return aboutVessels(content.payload.into ?? []);
    case 'vessels':
      return aboutVessels(content.payload.into);
    case 'heat':
      return aboutHeat(ledger, content.payload, at);
    case 'water':
      return aboutFit(ledger, content, at);
    case 'bottling':
      return aboutBottling(ledger, content.payload, at);
    default:
      return [];
  }
}
