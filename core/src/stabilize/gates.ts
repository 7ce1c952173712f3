import type { GateByWord, Ledger } from '../record/index.ts';
import { HOUR_MS, gravity, hours, onDay, say, tempC, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { GUARD_WAIT_H, fellUnderGuard, finishOf, judge, whyShut } from '../glass/index.ts';
import type { Finish } from '../glass/index.ts';
import { provenReadings, stabilizedAt } from '../record/index.ts';
import { HOLDS_MIN, HOLD_FROM_C, heldOf } from '../heat/index.ts';
import { USUAL_SCHOOL } from './schools.ts';
import type { StabilizeSchool } from './schools.ts';

type GateId = 'finished' | 'clear' | 'degassed' | 'stabilized' | 'waited' | 'verified';

/** Open by what is on record, shut, passed by the school, or opened by the maker's word. */
export type GateState = 'open' | 'shut' | 'not needed' | 'by your word';

export interface Gate {
  id: GateId;
  name: string;
  state: GateState;
  /** What it saw, or what it wants to see. */
  sentence: Sentence;
}

const gate = (id: GateId, name: string, state: GateState, sentence: Sentence): Gate => ({ id, name, state, sentence });

/** What the first gate saw, or truly still wants. */
function finishTold({ state, by, level, provenAt, wantsHydrometer }: Finish): Sentence {
  if (state === 'finished' && by === 'guard') return say`it was still before what guards it went in, or has stood since`;
  if (state === 'finished' && level !== null)
    return say`${gravity(level.last.sg)}${by === 'word' ? ' by your word' : ''}, on one level for ${hours(24 * level.days)}`;
  if (by === null) return say`wants it at its expected end, or your word that it stays here`;
  if (wantsHydrometer) return say`wants a hydrometer’s reading, and an equal one`;
  return provenAt === null ? say`wants equal readings on one level` : say`wants an equal reading ${onDay(provenAt)} or later`;
}

function finishedGate(finish: Finish, school: StabilizeSchool): Gate {
  const isDone = finish.state === 'finished';
  if (!isDone && school === 'heat')
    return gate('finished', 'Finished', 'not needed', say`heat stops what still works; it is read for a week afterwards`);
  return gate('finished', 'Finished', isDone ? 'open' : 'shut', finishTold(finish));
}

/** A gate of eye or tongue: seen, or by word, or wanted where the school does. */
function sensedGate(
  ledger: Ledger,
  id: GateByWord,
  seen: { at: number; told: Sentence } | null,
  wants: Sentence,
  passed: Sentence | null,
): Gate {
  const name = { clear: 'Clear', degassed: 'Degassed' }[id];
  const { words, marks, prickles } = ledger.history;
  /** What was seen or tasted since speaks against it. */
  const against = id === 'clear' ? marks.hazy : prickles.findLast(({ prickle }) => prickle !== 'none')?.at;
  const given = words[id];
  const word = given !== undefined && given.at >= (against ?? Number.NEGATIVE_INFINITY) ? given : undefined;
  if (seen !== null) return gate(id, name, 'open', seen.told);
  if (word !== undefined) return gate(id, name, 'by your word', say`${when(word.at)}: “${word.says}”`);
  return passed === null ? gate(id, name, 'shut', wants) : gate(id, name, 'not needed', passed);
}

function clearGate(ledger: Ledger, school: StabilizeSchool): Gate {
  const { clear, hazy } = ledger.history.marks;
  const seen = clear !== undefined && clear >= (hazy ?? Number.NEGATIVE_INFINITY) ? { at: clear, told: say`judged ${when(clear)}` } : null;
  const passed: Partial<Record<StabilizeSchool, Sentence>> = {
    heat: say`heat kills in the haze too`,
    dry: say`a haze feeds nothing`,
    sweetener: say`a haze feeds nothing`,
  };
  return sensedGate(ledger, 'clear', seen, say`wants your eye: print read through it, or your word`, passed[school] ?? null);
}

function degassedGate(ledger: Ledger, finish: Finish, school: StabilizeSchool): Gate {
  const { degassed } = ledger.history.marks;
  /** What was stirred out while it fermented came back. */
  const workedUntil = Math.min(finish.since ?? Number.NEGATIVE_INFINITY, ledger.history.guarded?.at ?? Number.POSITIVE_INFINITY);
  const isOut = degassed !== undefined && (degassed >= workedUntil || ledger.history.guarded?.by === 'heat');
  const seen = isOut ? { at: degassed, told: say`since ${when(degassed)}` } : null;
  const passed = school === 'dry' || school === 'sweetener' ? say`a little gas harms nothing here` : null;
  return sensedGate(ledger, 'degassed', seen, say`wants no prickle on the tongue, or your word`, passed);
}

/** What is missing of both powders. */
function dosesWanted({ liquid }: Ledger): Sentence {
  if (liquid.guardSo2Mg > 0 && liquid.guardSorbicMg > 0) return say`wants more: what is in guards this volume too little`;
  if (liquid.guardSo2Mg > 0) return say`sulfite is in; wants sorbate`;
  return liquid.guardSorbicMg > 0 ? say`sorbate is in; wants sulfite, without which it spoils` : say`wants sulfite and sorbate`;
}

/** How far a heating has come. */
function heatWanted({ history: { cores } }: Ledger): Sentence {
  const { units, since } = heldOf(cores);
  return since === null
    ? say`wants the core at ${tempC(HOLD_FROM_C)} for ${String(HOLDS_MIN[0])} minutes or more`
    : say`${units.value.toFixed(0)} units since the core read ${tempC(HOLD_FROM_C)}; wants ${String(HOLDS_MIN[0])} at least`;
}

function stabilizedGates(ledger: Ledger, school: StabilizeSchool, now: number): Gate[] {
  const { guarded } = ledger.history;
  const stable = stabilizedAt(ledger);
  if (guarded === null && (school === 'dry' || school === 'sweetener')) {
    const { verdict, why: asks } = judge(ledger, now);
    const why = verdict === 'ask' ? asks : whyShut(ledger, now);
    return [
      gate('stabilized', 'Stabilized', 'not needed', say`nothing goes in that could ferment`),
      gate('waited', 'Waited', 'not needed', say`nothing has to work`),
      gate('verified', 'Dry and still', why === null ? 'open' : 'shut', why ?? say`proven still: it may go into glass`),
    ];
  }
  const byHeat = guarded === null ? school === 'heat' : guarded.by === 'heat';
  const waitH = GUARD_WAIT_H[byHeat ? 'heat' : 'dose'];
  const waitEnds = stable === null ? null : stable + waitH * HOUR_MS;
  const after = waitEnds === null ? undefined : provenReadings(ledger).find((reading) => reading.at >= waitEnds);
  const verified = after !== undefined && stable !== null && !fellUnderGuard(ledger);
  const wants = byHeat ? heatWanted(ledger) : dosesWanted(ledger);
  return [
    gate(
      'stabilized',
      'Stabilized',
      stable === null ? 'shut' : 'open',
      stable === null ? wants : byHeat ? say`heated ${when(stable)}` : say`${when(stable)}`,
    ),
    gate(
      'waited',
      byHeat ? `${waitH} hours rested` : `${waitH} hours waited`,
      waitEnds !== null && now >= waitEnds ? 'open' : 'shut',
      waitEnds === null
        ? say`starts with ${byHeat ? 'the heat' : 'the dose'}`
        : now >= waitEnds
          ? say`since ${when(stable ?? now)}`
          : say`${hours((waitEnds - now) / HOUR_MS)} to go, until ${when(waitEnds)}`,
    ),
    gate(
      'verified',
      'Same gravity after the wait',
      verified ? 'open' : 'shut',
      verified ? say`${gravity(after.sg)}` : say`wants one reading after the ${byHeat ? 'rest' : 'wait'}`,
    ),
  ];
}

/** The gates of a school before honey or glass, in order. */
export function gatesOf(ledger: Ledger, now: number, chosen: StabilizeSchool = USUAL_SCHOOL): Gate[] {
  const finish = finishOf(ledger);
  /** What was heated goes by that school, whatever was planned. */
  const school = ledger.history.guarded?.by === 'heat' ? 'heat' : chosen;
  return [
    finishedGate(finish, school),
    clearGate(ledger, school),
    degassedGate(ledger, finish, school),
    ...stabilizedGates(ledger, school, now),
  ];
}

/** Whether honey may go in, and if not, the first gate that is shut. */
export function firstShutGate(gates: readonly Gate[]): Gate | null {
  return gates.find(({ state }) => state === 'shut') ?? null;
}
