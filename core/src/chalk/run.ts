import { CO2_G_PER_VOLUME } from '../carbonate/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { correctedSg } from '../liquid/index.ts';
import { plannedFrom, pourOf } from '../must/index.ts';
import { normal } from '../numerics/index.ts';
import { gPerL, plainly, say, volumeL, volumes } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { eventsAt } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { SO2_IN } from '../preservatives/index.ts';
import { yeastType } from '../yeast/index.ts';
import { drawsOf } from './draws.ts';
import { HELD, LEFT_ON_LEES, acts, deedTold } from './deeds.ts';
import type { Deed } from './deeds.ts';
import { STEP_H, abvOf, gravityOf, isSpent, passes, sugarGPerL } from './law.ts';
import type { Must } from './law.ts';
import { hiddenOf, recipeOf } from './scene.ts';
import type { Hidden } from './hidden.ts';
import type { Scene } from './scene.ts';
import { sensesOf } from './senses.ts';
import type { Senses } from './senses.ts';

/** Something that halts the clock, for whoever stands beside it. */
interface Stop {
  hour: number;
  what: 'foams' | 'erupts' | 'smells' | 'silent' | 'bursts';
  sentence: Sentence;
}

/** What the learner found out, and when; nothing else of the must is known to them. */
export interface Found {
  hour: number;
  does: Deed['does'];
  told: Sentence;
  senses: Senses | null;
}

/** A must on the chalk floor as it truly went, and what its learner saw of it. */
export interface Run {
  /** At each full hour: true gravity without gas, °C, g/L of sugar, % vol. */
  sg: Float64Array;
  tempC: Float64Array;
  sugarGPerL: Float64Array;
  abv: Float64Array;
  stops: Stop[];
  found: Found[];
  /** The learner's book, as the program reads any other. */
  book: BatchEvent[];
  /** As it stands at the end. */
  must: Must;
  lostL: number;
  /** Its yeast has made what it bears. */
  isSpent: boolean;
  /** How many were filled, and burst. */
  bottles: { filled: number; burst: number; sugarGPerL: number; inGlassL: number } | null;
}

/** A run is written down from this moment on; what day that is plays no part. */
export const CHALK_START = Date.UTC(2026, 0, 5, 18);
/** How a careful hydrometer, thermometer and pH meter scatter (standard deviations, our estimates). */
const SCATTER = { sg: 0.0007, tempC: 0.3, ph: 0.05 } as const;
const SMELLS_FROM = 1;
/** Gas that an airlock is heard by, g/L an hour; so long without is silence; and foam is told again after so long. */
const LOUD_FROM = 0.02;
const SILENT_H = 12;
const AGAIN_H = 48;
const BOTTLE_L = 0.75;
/** What glass bears before it bursts, volumes of CO2, with its scatter (our estimates; a sound bottle bears more than makers ask of it). */
const BEARS = { wine: 2.4, 'used beer': 4.2, spread: 0.12 } as const;
/** A deed as a maker writes it down; null where only words do. */
function written({ honey }: Scene, { volumeL: liters }: Must, { does, amount = 0 }: Deed): EventContent | null {
  const inAllG = (mgPerL: number): number => Math.round(mgPerL * liters) / 1000;
  switch (does) {
    case 'feed':
      return { kind: 'nutrient', payload: { source: 'complex', massG: amount } };
    case 'degas':
    case 'shake':
      return { kind: 'note', payload: { text: does === 'shake' ? 'shaken' : 'degassed', mark: 'degassed' } };
    case 'rouse':
      return { kind: 'cure', payload: { cure: 'rouse' } };
    case 'warm':
      return { kind: 'cure', payload: { cure: 'warm', toC: amount } };
    case 'base':
      return { kind: 'base', payload: { salt: 'carbonate', massG: amount } };
    case 'acid':
      return pourOf(plannedFrom('acid-citric', amount), amount);
    case 'restart':
      return { kind: 'yeast', payload: { yeastId: 'strong', name: yeastType('strong').name, massG: 5 } };
    case 'rack':
      return { kind: 'rack', payload: { volumeL: (1 - LEFT_ON_LEES) * liters } };
    case 'sulfite':
      return { kind: 'sulfite', payload: { salt: 'potassium', massG: inAllG(amount / SO2_IN.potassium) } };
    case 'sorbate':
      return { kind: 'sorbate', payload: { massG: inAllG(amount) } };
    case 'heat':
      return { kind: 'heat', payload: HELD };
    case 'honey':
      return {
        kind: 'honey',
        payload: { name: honey, massG: amount, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
      };
    case 'read':
    case 'ph':
    case 'look':
    case 'zero':
    case 'bottle':
    case 'prime':
      return null;
  }
}

/** What a reading shows on glass at its own warmth, so that correcting it gives the gravity back. */
function onGlass(sg: number, tempC: number): number {
  return Math.round((2 * sg - correctedSg(sg, tempC, 20)) * 1000) / 1000;
}

/** What is written and seen at a deed; each draws from a seed of its own, so that a later deed changes no earlier reading. */
function notes(scene: Scene, hidden: Hidden, deed: Deed, log: (content: EventContent) => void): Found {
  const rng = drawsOf(Math.round(scene.seed * 7919 + deed.hour * 97 + deed.does.length));
  const { must, scaleSg, lidLeaks } = hidden;
  const scatter = scene.depth === 3 ? 1.6 : 1;
  const senses = sensesOf(must, lidLeaks);
  const of = { hour: deed.hour, does: deed.does };
  if (deed.does === 'read') {
    const tempC = Math.round(10 * (must.tempC + SCATTER.tempC * normal(rng))) / 10;
    const gasLift = 0.0006 * Math.max(0, must.co2G / must.volumeL - 1);
    const sg = onGlass(gravityOf(must) + scaleSg + gasLift + scatter * SCATTER.sg * normal(rng), tempC);
    log({ kind: 'reading', payload: { sg, tempC } });
    return { ...of, told: [{ kind: 'sg', value: sg }, ' at ', { kind: 'tempC', value: tempC }], senses };
  }
  if (deed.does === 'ph') {
    const ph = Math.round(100 * (must.ph + scatter * SCATTER.ph * normal(rng))) / 100;
    log({ kind: 'reading', payload: { ph } });
    return { ...of, told: ['pH ', { kind: 'ph', value: ph }], senses };
  }
  if (deed.does === 'zero') {
    const shown = Math.round(1000 * (1 + scaleSg + 0.0004 * normal(rng))) / 1000;
    const told: Sentence = ['in water the hydrometer shows ', { kind: 'sg', value: shown }];
    return { ...of, told, senses: null };
  }
  const content = written(scene, must, deed);
  if (content !== null) log(content);
  else if (deed.does !== 'look') log({ kind: 'note', payload: { text: plainly(deedTold(deed)) } });
  return { ...of, told: deedTold(deed), senses: deed.does === 'look' ? senses : null };
}

/** Bottles of which each bears a little more or less than its kind. */
function filled(scene: Scene, must: Must, deed: Deed): number[] {
  const rng = drawsOf(scene.seed + 31);
  const bears = deed.does === 'prime' ? BEARS['used beer'] : BEARS.wine;
  return Array.from({ length: Math.floor(must.volumeL / BOTTLE_L) }, () => bears * (1 + BEARS.spread * normal(rng)));
}

/**
 * Plays a scene with what its learner does, from the pitch on: the same scene and deeds always give the same run.
 *
 * @param deeds in order of their hours @param untilH full hours, at most two years
 */
export function runScene(scene: Scene, deeds: readonly Deed[], untilH: number): Run {
  const hidden = hiddenOf(scene);
  const { must, setting } = hidden;
  const hours = Math.min(17_520, Math.max(0, Math.ceil(untilH)));
  const run: Run = {
    sg: new Float64Array(hours + 1),
    tempC: new Float64Array(hours + 1),
    sugarGPerL: new Float64Array(hours + 1),
    abv: new Float64Array(hours + 1),
    stops: [],
    found: [],
    book: [],
    must,
    lostL: 0,
    isSpent: false,
    bottles: null,
  };
  const rows: (readonly [number, EventContent])[] = recipeOf(scene).map((content) => [0, content]);
  const waiting = [...deeds];
  let glass: number[] = [];
  let wasSmelled = false;
  let foamedAt = -Infinity;
  let loudAt: number | null = null;
  let isSilent = true;
  const stop = (what: Stop['what'], sentence: Sentence): void => void run.stops.push({ hour: must.hour, what, sentence });
  for (let step = 0; step <= hours / STEP_H; step++) {
    const hour = step * STEP_H;
    if (Number.isInteger(hour)) {
      run.sg[hour] = gravityOf(must);
      run.tempC[hour] = must.tempC;
      run.sugarGPerL[hour] = sugarGPerL(must);
      run.abv[hour] = abvOf(must);
    }
    while ((waiting[0]?.hour ?? Infinity) <= hour) {
      const deed = waiting.shift();
      if (deed === undefined || (must.isClosed && !['read', 'look', 'ph', 'zero'].includes(deed.does))) continue;
      run.found.push(notes(scene, hidden, deed, (content) => rows.push([deed.hour, content])));
      if (deed.does === 'bottle' || deed.does === 'prime') {
        glass = filled(scene, must, deed);
        run.bottles = { filled: glass.length, burst: 0, sugarGPerL: sugarGPerL(must), inGlassL: must.volumeL };
      }
      const came = acts(hidden, deed);
      if (came === null) continue;
      run.lostL += came.lostL;
      stop('erupts', came.sentence);
      rows.push([deed.hour, { kind: 'removal', payload: { volumeL: came.lostL, reason: 'foam' } }]);
    }
    for (const acid of hidden.acids) if (acid.hour === hour) soured(must, acid.drop);
    const before = must.volumeL;
    passes(must, setting, hidden.roomC(hour), hidden.tauH);
    const over = before - must.volumeL;
    run.lostL += Math.max(0, over);
    if (over > 0.002 && hour > foamedAt + AGAIN_H) {
      stop('foams', ['It foams out of the airlock: it wants headroom.']);
      foamedAt = hour;
    }
    if (must.sulfur > SMELLS_FROM && !wasSmelled) stop('smells', ['It smells of sulfur.']);
    wasSmelled = must.sulfur > SMELLS_FROM * (wasSmelled ? 0.6 : 1);
    if (must.gas > (isSilent ? 3 : 1) * LOUD_FROM && !hidden.lidLeaks) [loudAt, isSilent] = [hour, false];
    if (loudAt !== null && hour - loudAt > SILENT_H && !must.isClosed) {
      stop('silent', ['The airlock has fallen silent.']);
      loudAt = null;
      isSilent = true;
    }
    if (must.isClosed && run.bottles !== null) bursts(run, must, glass, stop);
  }
  run.isSpent = isSpent(must, setting);
  run.book = eventsAt(CHALK_START, rows);
  return run;
}

function soured(must: Must, drop: number): void {
  must.ph = Math.max(2.6, must.ph - drop);
  must.living *= 0.75;
}

/** Bottles whose glass bears less than what is in it. */
function bursts(run: Run, must: Must, glass: number[], stop: (what: 'bursts', sentence: Sentence) => void): void {
  if (run.bottles === null) return;
  const inIt = must.co2G / must.volumeL / CO2_G_PER_VOLUME;
  const burst = glass.filter((bears) => bears < inIt).length;
  if (burst > 0 && run.bottles.burst === 0)
    stop(
      'bursts',
      say`The first bottle burst, at ${volumes(inIt)} of gas: ${gPerL(run.bottles.sugarGPerL)} of sugar were in it when it was closed, in ${volumeL(run.bottles.inGlassL)}.`,
    );
  run.bottles.burst = Math.max(run.bottles.burst, burst);
}
