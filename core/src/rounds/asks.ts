import { fedEvent, feedingNow, isComing, productName, smellCauses, smellsOfSulfur, teaspoonsOf, weighedParts } from '../feed/index.ts';
import type { DoseNow, FeedingPlan } from '../feed/index.ts';
import { mixedOf, viewOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { drippingG } from '../ingredients/index.ts';
import { MUST_SULFITE_WAIT_H } from '../preservatives/index.ts';
import { HOUR_MS, gravity, hours, massG, say, teaspoons, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { firstShutGate, gatesOf } from '../stabilize/index.ts';
import {
  VERIFY_H,
  WAIT_H,
  whyNotBottle,
  provenReadings,
  cureUnderWay,
  curesFor,
  finishOf,
  nextCure,
  rankCauses,
  readingGapH,
  stabilizedAt,
  stallEvidence,
  stallVerdict,
  stateOf,
  sweetenedAt,
} from '../watch/index.ts';
import type { BatchState } from '../watch/index.ts';
import { ask } from './ask.ts';
import type { Ask, Bell, Station } from './ask.ts';
import { cureAsk, degasAsk, restartAsk, sensedAsks } from './careAsks.ts';

/** “6.8 g organic nutrient and 1.3 g diammonium phosphate”: what a dose holds, by what can be weighed. */
export const doseTold = (dose: Pick<DoseNow, 'parts'>, withSpoons = false): Sentence =>
  weighedParts(dose).flatMap(({ product, massG: grams }, i) => [
    i === 0 ? '' : ' and ',
    massG(grams),
    ` ${productName(product)}`,
    ...(withSpoons ? [' (about ', teaspoons(teaspoonsOf(product, grams)), ')'] : []),
  ]);

function feedingAsk(ledger: Ledger, feeding: FeedingPlan, now: number): Ask | null {
  const next = feedingNow(feeding, ledger, now).doses.find(isComing);
  const parts = weighedParts(next);
  if (next === undefined || parts.length === 0) return null;
  const dose = next.dose.number;
  const named = `Dose ${dose} of ${feeding.doses.length}`;
  if (next.state === 'due')
    return {
      key: `dose ${dose}`,
      bell: 'swinging',
      dueAt: next.dueAt,
      sentence: [`${named}. Degas slowly first, then `, ...doseTold(next, true), '.'],
      station: 'feed',
      done: { label: ['Fed ', massG(parts.reduce((sum, part) => sum + part.massG, 0))], events: parts.map((part) => fedEvent(part, dose)) },
    };
  if (next.expectedAt <= now)
    return ask(
      `dose ${dose} by sugar`,
      'swinging',
      now,
      [`${named} comes by the sugar, and may be due at this pace: read the gravity.`],
      'watch',
    );
  return ask(`dose ${dose}`, 'muffled', next.expectedAt, [`${named} comes `, when(next.expectedAt), ': ', ...doseTold(next), '.'], 'feed');
}

function smellAsk(ledger: Ledger, feeding: FeedingPlan, now: number): Ask | null {
  if (!smellsOfSulfur(ledger, now)) return null;
  const [first] = smellCauses(feeding, ledger, now);
  if (first === undefined) return null;
  const why: Sentence = first.verdict === 'blamed' ? [...first.evidence, ' ', ...first.next] : ['Nothing in its record explains it.'];
  return ask(
    `sulfur ${ledger.history.marks.sulfur ?? 0}`,
    'swinging',
    ledger.history.marks.sulfur ?? now,
    ['It smells of sulfur. ', ...why],
    'feed',
  );
}

/** A first reading this far from the recipe is worth a question: the honey's usual spread and the hydrometer's own (our estimate). */
const WORTH_SETTLING_SG = 0.004;

/** When yeast may go into a must that was sulfited; null where none was. */
export function sulfiteWaitEnds({ history }: Ledger): number | null {
  const last = history.sulfites.filter(({ massG: grams }) => grams > 0).at(-1);
  return last === undefined ? null : last.at + MUST_SULFITE_WAIT_H * HOUR_MS;
}

/** The must waits for yeast; a first reading that the pours do not explain comes before it. */
function mixedAsk(ledger: Ledger, now: number): Ask {
  const first = ledger.history.readings.at(-1);
  const off = Math.abs((first?.sg ?? 0) - (ledger.history.predictedOg ?? 0));
  if (first !== undefined && (first.verdict === 'unexplained' || off > WORTH_SETTLING_SG))
    return ask(
      `settle ${first.at}`,
      'swinging',
      first.at,
      say`${gravity(first.sg)} is not what was poured. Settle what happened, then pitch.`,
      'pitch',
    );
  const freeAt = sulfiteWaitEnds(ledger);
  if (freeAt !== null && now < freeAt)
    return ask(
      'pitch',
      'muffled',
      freeAt,
      say`Sulfite works for ${hours(MUST_SULFITE_WAIT_H)} before yeast bears it: pitch ${when(freeAt)}.`,
      'pitch',
      say`Pitch the yeast: the sulfite has had its day`,
    );
  return ask('pitch', 'swinging', now, say`Mixed at ${gravity(viewOf(ledger)?.sg ?? 1)}. Pitch the yeast.`, 'pitch');
}

/** The bag that is due out first, and what lifting it would write down. */
function bagAsk(ledger: Ledger, now: number): Ask | null {
  const bag = ledger.history.pours
    .filter(({ bagOutAt, at }) => bagOutAt !== null && !(ledger.history.strainedAt !== null && ledger.history.strainedAt > at))
    .sort((a, b) => (a.bagOutAt ?? 0) - (b.bagOutAt ?? 0))[0];
  const dueAt = bag?.bagOutAt ?? null;
  if (bag === undefined || dueAt === null || ledger.liquid.insolubleG <= 0) return null;
  const isDue = now >= dueAt;
  const grams = drippingG(bag.insolubleG);
  return {
    key: `bag ${bag.eventId}`,
    bell: isDue ? 'swinging' : 'muffled',
    dueAt,
    sentence: isDue
      ? say`The bag of ${bag.name} comes out now. Let it drip, press lightly, weigh it.`
      : say`The bag of ${bag.name} comes out ${when(dueAt)}.`,
    station: 'pitch',
    done: isDue
      ? {
          label: say`Out, about ${massG(grams)}`,
          events: [{ kind: 'strain', payload: { massG: grams, share: Math.min(1, bag.insolubleG / ledger.liquid.insolubleG) } }],
        }
      : null,
    dated: say`Lift out the bag of ${bag.name}`,
  };
}

function afterFinish(ledger: Ledger, now: number): Ask {
  const stable = stabilizedAt(ledger);
  const honeyAt = sweetenedAt(ledger);
  if (honeyAt !== null) {
    const verifyAt = honeyAt + VERIFY_H * HOUR_MS;
    const why = whyNotBottle(ledger, now);
    if (why === null) return ask('bottle', 'still', now, say`Steady since the honey. It may be bottled.`, 'bottle');
    const isRead = provenReadings(ledger).some(({ at }) => at > honeyAt);
    if (!isRead)
      return ask(
        `first after honey ${honeyAt}`,
        'swinging',
        honeyAt,
        say`Honey is in. Once it is stirred in, read the gravity; the next reading is held against it.`,
      );
    const dated = say`Read the gravity, before any bottle is closed`;
    return ask(`verify ${honeyAt}`, now < verifyAt ? 'muffled' : 'swinging', verifyAt, why, 'watch', dated);
  }
  const shut = firstShutGate(gatesOf(ledger, now));
  if (stable !== null) {
    if (shut?.id === 'waited')
      return {
        key: `wait ${stable}`,
        bell: 'muffled',
        dueAt: stable + WAIT_H * HOUR_MS,
        sentence: [...say`Sulfite and sorbate are working: `, ...shut.sentence, '.'],
        station: 'stabilize',
        done: null,
        dated: say`Read the gravity; then it may be sweetened`,
      };
    if (shut?.id === 'verified')
      return ask(
        `wait ${stable}`,
        'swinging',
        stable + WAIT_H * HOUR_MS,
        say`24 hours since sulfite and sorbate. Take a reading; then it may be sweetened.`,
      );
    return ask('sweeten', 'still', now, say`Stable. Set out the glasses and find its sweetness, or bottle it as it is.`, 'sweeten');
  }
  if (shut?.id === 'clear') return ask('clear', 'still', now, say`Finished. Let it clear, and rack it off its lees.`, 'clear');
  if (shut?.id === 'degassed')
    return ask('degas before sulfite', 'swinging', now, say`Finished and clear. Degas it before sulfite and sorbate.`, 'clear');
  return whyNotBottle(ledger, now) === null
    ? ask('stabilize', 'swinging', now, say`Ready to be stabilized, or bottled dry and still.`, 'stabilize')
    : ask(
        'stabilize',
        'swinging',
        now,
        say`Ready to be stabilized. It is not to be bottled without: what is left in it could burst glass.`,
        'stabilize',
      );
}

/** A stall with its likeliest cause by the school that feeds the batch, and the gentlest cure as its deed. */
function stuckAsk(ledger: Ledger, feeding: FeedingPlan | null, { sentence }: BatchState, now: number): Ask {
  const lastAt = ledger.history.readings.at(-1)?.at ?? now;
  const evidence = feeding === null ? null : stallEvidence(ledger, now, feeding.practice.organicCredit);
  const ranked = evidence === null ? [] : rankCauses(evidence, ledger.care.findings);
  const [first] = ranked;
  const why: Sentence =
    first === undefined ? [] : [` Likeliest: ${first.cause.name.toLowerCase()}. `, ...(first.findings[0]?.sentence ?? [])];
  const cure =
    evidence === null ? null : nextCure(curesFor(stallVerdict(evidence), evidence, ranked), ledger, evidence.still?.at ?? lastAt);
  return { ...ask(`stuck ${lastAt}`, 'cracked', lastAt, [...sentence, ...why]), done: cure?.deed ?? null };
}

/** What one vessel asks for, most pressing first; never empty, since “nothing” is an answer too. What was put off waits or is gone. */
export function asksOf(ledger: Ledger, feeding: FeedingPlan | null, now: number): Ask[] {
  const state = stateOf(ledger, now);
  const open = openAsks(ledger, feeding, state, now).flatMap((each) => settled(each, ledger, now));
  return open.length > 0 ? open : [ask('nothing', 'still', now, state.sentence)];
}

/** What a batch asks for that cannot be reckoned: its log, where the entry that does it can be taken back. */
export const unreckonedAsk = (why: Sentence, now: number): Ask =>
  ask('unreckoned', 'cracked', now, ['It cannot be reckoned as it stands. ', ...why, ' Open it and correct or take back that entry.']);

/** Danger is not put off: glass bursts whether or not one looks. */
export const mayWait = ({ bell, key }: Ask): boolean => !(bell === 'cracked' && key.startsWith('moving')) && bell !== 'still';

function settled(each: Ask, ledger: Ledger, now: number): Ask[] {
  const put = ledger.care.putOff[each.key];
  if (put === undefined || !mayWait(each)) return [each];
  if (put.until === null) return [];
  return put.until <= now ? [each] : [{ ...each, bell: 'muffled', dueAt: Math.max(each.dueAt, put.until) }];
}

function openAsks(ledger: Ledger, feeding: FeedingPlan | null, state: BatchState, now: number): Ask[] {
  const asked = phaseAsks(ledger, feeding, state, now);
  if (['bottled', 'empty', 'emptied', 'moving again', 'glass in doubt'].includes(state.phase)) return asked;
  const cure = ['stuck', 'suspect', 'slowing'].includes(state.phase) ? cureAsk(ledger, now) : null;
  const anyhow = [restartAsk(ledger, now), cure, bagAsk(ledger, now)].filter((each) => each !== null);
  return [...asked, ...anyhow, ...sensedAsks(ledger, now)];
}

/** What its phase brings with it. */
function phaseAsks(ledger: Ledger, feeding: FeedingPlan | null, state: BatchState, now: number): Ask[] {
  const lastAt = ledger.history.readings.at(-1)?.at ?? ledger.history.pitch?.at ?? now;
  switch (state.phase) {
    case 'bottled':
      return [ask('taste', 'still', now, say`In bottles. Taste it when it has had time.`, 'taste')];
    case 'empty':
      return [ask('mix', 'muffled', now, say`Planned. Mix it when the day comes.`, 'pitch')];
    case 'mixed':
      return [mixedAsk(ledger, now)];
    case 'emptied':
      return [ask('emptied', 'still', now, state.sentence, 'watch')];
    case 'moving again':
    case 'glass in doubt':
      return [ask(`moving ${lastAt}`, 'cracked', now, state.sentence)];
    case 'unread':
      return [
        ask(`reading ${lastAt}`, 'swinging', lastAt, state.sentence),
        ...fermentingAsks(ledger, feeding, state, now).filter(({ key }) => !key.startsWith('reading') && !key.startsWith('state')),
      ];
    case 'stuck':
      return restartAsk(ledger, now) === null && cureUnderWay(ledger) === null ? [stuckAsk(ledger, feeding, state, now)] : [];
    case 'suspect':
      if (cureUnderWay(ledger) !== null) return [];
      return [ask(`suspect ${lastAt}`, now < (state.restsUntil ?? now) ? 'muffled' : 'swinging', state.restsUntil ?? now, state.sentence)];
    case 'stabilized':
    case 'finished':
      return [afterFinish(ledger, now)];
    case 'near its end':
    case 'awaiting confirmation': {
      const finish = finishOf(ledger);
      const dueAt = finish.wantsHydrometer ? (finish.since?.at ?? now) : (finish.provenAt ?? now);
      return [
        ask(
          `confirm ${finish.since?.at ?? 0}`,
          now >= dueAt ? 'swinging' : 'muffled',
          dueAt,
          state.sentence,
          'watch',
          say`Read the gravity again, to prove that it has stopped`,
        ),
      ];
    }
    case 'lag':
    case 'slowing':
    case 'active':
      return fermentingAsks(ledger, feeding, state, now);
  }
}

function fermentingAsks(ledger: Ledger, feeding: FeedingPlan | null, state: BatchState, now: number): Ask[] {
  const fed = feeding === null ? null : feedingAsk(ledger, feeding, now);
  const degas = (fed?.done ?? null) === null ? degasAsk(ledger, now) : null;
  const smell = feeding === null ? null : smellAsk(ledger, feeding, now);
  const asks = [fed, degas, smell].filter((each) => each !== null);
  const lastAt = ledger.history.readings.at(-1)?.at ?? ledger.history.pitch?.at ?? now;
  const dueAt = lastAt + readingGapH(ledger) * HOUR_MS;
  if (now > dueAt)
    asks.push(ask(`reading ${lastAt}`, 'swinging', dueAt, say`No reading since ${when(lastAt)}. At its pace it wants one by now.`));
  if (asks.every(({ bell }) => bell === 'muffled'))
    asks.push(ask(`state ${state.phase}`, state.phase === 'lag' ? 'muffled' : 'still', now, state.sentence));
  return asks;
}

const BELL_ORDER: Record<Bell, number> = { cracked: 0, swinging: 1, muffled: 2, still: 3 };

/** By the first word of their names, what does most harm by waiting first: glass, then yeast, then taste, then time (our judgement). */
const BY_HARM = [
  'unreckoned',
  'mold',
  'retching',
  ...['moving', 'stuck', 'film', 'vinegar', 'dose', 'sulfur', 'starter', 'pitch', 'settle', 'bag', 'cure', 'suspect'],
  ...['degas', 'solvent', 'rubber', 'geranium', 'first', 'verify', 'wait', 'confirm', 'stabilize', 'reading'],
];
function harmOf({ key, bell }: Ask): number {
  /** What waits does no harm yet: it comes in the order of its time. */
  if (bell === 'muffled' || bell === 'still') return 0;
  const place = BY_HARM.indexOf(key.split(' ')[0] ?? '');
  return place < 0 ? BY_HARM.length : place;
}

/** Cracked before swinging before waiting before well; within a kind, by the harm of waiting, then what was due first. */
export const byUrgency = (a: Ask, b: Ask): number => BELL_ORDER[a.bell] - BELL_ORDER[b.bell] || harmOf(a) - harmOf(b) || a.dueAt - b.dueAt;

/** Where the work on a batch is now. */
export function stationOf(ledger: Ledger, feeding: FeedingPlan | null, now: number): Station {
  if (mixedOf(ledger) === null && ledger.history.bottled === null) return ledger.liquid.pouredG > 0 ? 'watch' : 'formulate';
  const first = [...asksOf(ledger, feeding, now)].sort(byUrgency)[0];
  return first?.station ?? 'watch';
}
