import { isPrimed } from '../carbonate/index.ts';
import { ledgerAfter, mixedOf } from '../record/index.ts';
import type { Ledger, Payloads } from '../record/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { expectedEnd } from './end.ts';
import { factsOf } from './facts.ts';
import type { Facts, Sign } from './facts.ts';
import { kegAnswer, sparklingAnswer } from './gas.ts';
import type { GasAnswer, GlassPlan, Verdict } from './plan.ts';
import { askedTold, knownTold, missingTold, neverTold, openTold, shutTold, doubtTold, waysTold } from './told.ts';
import { stillVerdict } from './still.ts';
import type { Ground, StillVerdict } from './still.ts';
import { waysToGlass } from './ways.ts';
import type { Way } from './ways.ts';

/* The one judgement of closed glass. Every page, the dip line, the calendar and the server ask it, and nothing else. */

export interface Judgement {
  verdict: Verdict;
  /** Why it is so, in a sentence or two. */
  why: Sentence;
  /** What is known, what is in doubt and what is missing, where there is such. */
  known: Sentence | null;
  doubt: Sentence | null;
  missing: Sentence | null;
  /** Where it asks: the one question, which names points, volumes and what to do. */
  question: Sentence | null;
  /** Where it is shut: what opens it, the nearest first. */
  ways: readonly Way[];
  /** The same in words. */
  waysTold: readonly { id: Way['id']; name: string; sentence: Sentence }[];
  /** Where nothing does: why never, and what instead. */
  never: Sentence | null;
  ground: Ground | null;
  signs: readonly Sign[];
}

/** What it is for a mead whatever it is closed into, reckoned once a ledger and moment. */
interface Still {
  facts: Facts;
  verdict: StillVerdict;
}
const stills = new WeakMap<Ledger, Still>();
function stillOf(ledger: Ledger): Still | null {
  const known = stills.get(ledger);
  if (known !== undefined) return known;
  const facts = factsOf(ledger);
  if (facts === null) return null;
  const still = { facts, verdict: stillVerdict(facts) };
  stills.set(ledger, still);
  return still;
}

const NOTHING: Judgement = {
  verdict: 'shut',
  why: ['Nothing is in the vessel that could be closed into glass.'],
  known: null,
  doubt: null,
  missing: null,
  question: null,
  ways: [],
  waysTold: [],
  never: null,
  ground: null,
  signs: [],
};

function judgeStill(ledger: Ledger, { facts, verdict: still }: Still, now: number): Judgement {
  const { verdict, ground, signs } = still;
  const end = expectedEnd(ledger);
  const ways = verdict === 'shut' ? waysToGlass(facts, now) : [];
  const told = { facts, ground, signs, end, ledger };
  return {
    verdict,
    why: verdict === 'open' ? openTold(told) : verdict === 'ask' ? askedTold(told).why : shutTold(told),
    known: knownTold(told),
    doubt: doubtTold(told),
    missing: verdict === 'shut' ? missingTold(told, ways) : null,
    question: verdict === 'ask' ? askedTold(told).question : null,
    ways,
    waysTold: waysTold(ways, facts.lowC),
    never: verdict === 'shut' && ways.length === 0 ? neverTold(told) : null,
    ground,
    signs,
  };
}

/** A page asks it many times of one ledger at one moment. */
const judged = new WeakMap<Ledger, { now: number; judgement: Judgement }>();
function judgedAt(ledger: Ledger, still: Still, now: number): Judgement {
  const known = judged.get(ledger);
  if (known?.now === now) return known.judgement;
  const judgement = judgeStill(ledger, still, now);
  judged.set(ledger, { now, judgement });
  return judgement;
}

/** The same of a bottling as it is written down. @param ledger just before it */
export function judgeBottling(ledger: Ledger, payload: Payloads['bottling'], at: number): Judgement {
  const filling = ledgerAfter(ledger, { kind: 'bottling', payload }, at).history.bottled?.fillings.at(-1);
  return filling === undefined ? judge(ledger, at) : judge(filling.mead, at, filling);
}

/** Why glass is shut on a mead now, with what opens it; null where it may be closed, were it with a question. */
export function whyShut(ledger: Ledger, now: number): Sentence | null {
  const { verdict, why, missing, never } = judge(ledger, now);
  if (verdict !== 'shut') return null;
  return [...why, ...(missing === null ? [] : [' What opens it: ', ...missing]), ...(never === null ? [] : [' ', ...never])];
}

const HARSHER: Record<Verdict, number> = { open: 0, ask: 1, shut: 2 };

/**
 * Whether a mead may be closed into glass, and if not, what opens it.
 *
 * @param ledger as it stands, before any priming sugar of the plan
 * @param now of the bottling, ms since 1970 UTC; nothing later may be in the ledger
 * @param plan into what; null for still glass
 */
export function judge(ledger: Ledger, now: number, plan: GlassPlan | null = null): Judgement {
  const still = mixedOf(ledger) === null ? null : stillOf(ledger);
  if (still === null) return NOTHING;
  const bare = judgedAt(ledger, still, now);
  if (plan === null) return bare;
  const glass = plan.bottles.filter(({ kind, count }) => kind !== 'keg' && count > 0);
  const kegs = plan.bottles.filter(({ kind, count }) => kind === 'keg' && count > 0);
  const inGlass = glass.length === 0 ? null : isPrimed(plan) ? sparklingAnswer(ledger, still.verdict, plan) : 'still';
  const inKegs = kegs.length === 0 ? null : kegAnswer(ledger, still.verdict, { ...plan, bottles: kegs });
  const answers = [inGlass === 'still' ? { verdict: bare.verdict, why: bare.why } : inGlass, inKegs].filter((each) => each !== null);
  const worst = answers.reduce<GasAnswer>((a, b) => (HARSHER[b.verdict] > HARSHER[a.verdict] ? b : a), { verdict: 'open', why: bare.why });
  if (inGlass === 'still' && worst.verdict === bare.verdict) return bare;
  const isShutByStill = inGlass !== null && bare.verdict === 'shut';
  return {
    ...bare,
    verdict: worst.verdict,
    why: worst.why,
    question: worst.verdict === 'ask' ? worst.why : null,
    missing: isShutByStill ? bare.missing : null,
    ...(worst.verdict === 'shut' && isShutByStill ? {} : { ways: [], waysTold: [] }),
    never: null,
  };
}
