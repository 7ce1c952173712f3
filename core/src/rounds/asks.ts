import { LEAST_DOSE_G, fedEvent, feedingNow, isComing, productName, smellCauses, smellsOfSulfur, teaspoonsOf } from '../feed/index.ts';
import type { DoseNow, FeedingPlan } from '../feed/index.ts';
import { mixedOf, viewOf } from '../ledger/index.ts';
import type { EventContent, Ledger } from '../ledger/index.ts';
import { drippingG } from '../ingredients/index.ts';
import { gravity, massG, say, teaspoons, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { VERIFY_H, firstShutGate, gatesOf, whyNotBottle } from '../stabilize/index.ts';
import { finishOf, rankCauses, stabilizedAt, stallEvidence, stateOf, sweetenedAt } from '../watch/index.ts';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Four bells: well, asks, waits, stop. Each has its own shape; color only repeats it. */
export type Bell = 'still' | 'swinging' | 'muffled' | 'cracked';

export type Station = 'formulate' | 'pitch' | 'feed' | 'watch' | 'clear' | 'stabilize' | 'sweeten' | 'bottle' | 'taste';
export const STATIONS: readonly Station[] = ['formulate', 'pitch', 'feed', 'watch', 'clear', 'stabilize', 'sweeten', 'bottle', 'taste'];

/** Something a vessel asks for. `done` is what one touch writes down; without it the maker goes to `station`. */
export interface Ask {
  bell: Bell;
  /** When it is or was due. */
  dueAt: number;
  sentence: Sentence;
  station: Station;
  done: { label: Sentence; events: EventContent[] } | null;
  /** For a calendar, where its time stands beside it; without it the ask is none for a calendar. */
  dated?: Sentence;
}

const readingAsk = (bell: Bell, dueAt: number, sentence: Sentence, station: Station = 'watch', dated?: Sentence): Ask => ({
  bell,
  dueAt,
  sentence,
  station,
  done: null,
  ...(dated === undefined ? {} : { dated }),
});

/** “6.8 g organic nutrient and 1.3 g diammonium phosphate”: what a dose holds, by what can be weighed. */
export const doseTold = ({ parts }: Pick<DoseNow, 'parts'>, withSpoons = false): Sentence =>
  parts
    .filter(({ massG: grams }) => grams >= LEAST_DOSE_G)
    .flatMap(({ product, massG: grams }, i) => [
      i === 0 ? '' : ' and ',
      massG(grams),
      ` ${productName(product)}`,
      ...(withSpoons ? [' (about ', teaspoons(teaspoonsOf(product, grams)), ')'] : []),
    ]);

function feedingAsk(ledger: Ledger, feeding: FeedingPlan, now: number): Ask | null {
  const next = feedingNow(feeding, ledger, now).doses.find(isComing);
  const parts = next?.parts.filter(({ massG: grams }) => grams >= LEAST_DOSE_G) ?? [];
  if (next === undefined || parts.length === 0) return null;
  const dose = next.dose.number;
  const named = `Dose ${dose} of ${feeding.doses.length}`;
  if (next.state === 'due')
    return {
      bell: 'swinging',
      dueAt: next.dueAt,
      sentence: [`${named}. Degas slowly first, then `, ...doseTold(next, true), '.'],
      station: 'feed',
      done: { label: ['Fed ', massG(parts.reduce((sum, part) => sum + part.massG, 0))], events: parts.map((part) => fedEvent(part, dose)) },
    };
  if (next.expectedAt <= now)
    return readingAsk('swinging', now, [`${named} comes by the sugar, and may be due at this pace: read the gravity.`], 'watch');
  return readingAsk('muffled', next.expectedAt, [`${named} comes `, when(next.expectedAt), ': ', ...doseTold(next), '.'], 'feed');
}

function smellAsk(ledger: Ledger, feeding: FeedingPlan, now: number): Ask | null {
  if (!smellsOfSulfur(ledger, now)) return null;
  const [first] = smellCauses(feeding, ledger, now);
  if (first === undefined) return null;
  const why: Sentence = first.verdict === 'blamed' ? [...first.evidence, ' ', ...first.next] : ['Nothing in its record explains it.'];
  return readingAsk('swinging', ledger.marks.sulfur ?? now, ['It smells of sulfur. ', ...why], 'feed');
}

/** A first reading this far from the recipe is worth a question: the honey's usual spread and the hydrometer's own (our estimate). */
const WORTH_SETTLING_SG = 0.004;

/** The must waits for yeast; a first reading that the pours do not explain comes before it. */
function mixedAsk(ledger: Ledger, now: number): Ask {
  const first = ledger.readings.at(-1);
  const off = Math.abs((first?.sg ?? 0) - (ledger.predictedOg ?? 0));
  if (first !== undefined && (first.verdict === 'unexplained' || off > WORTH_SETTLING_SG))
    return readingAsk('swinging', first.at, say`${gravity(first.sg)} is not what was poured. Settle what happened, then pitch.`, 'pitch');
  return readingAsk('swinging', now, say`Mixed at ${gravity(viewOf(ledger)?.sg ?? 1)}. Pitch the yeast.`, 'pitch');
}

/** The bag that is due out first, and what lifting it would write down. */
function bagAsk(ledger: Ledger, now: number): Ask | null {
  const bag = ledger.additions
    .filter(({ bagOutAt, at }) => bagOutAt !== null && !(ledger.strainedAt !== null && ledger.strainedAt > at))
    .sort((a, b) => (a.bagOutAt ?? 0) - (b.bagOutAt ?? 0))[0];
  const dueAt = bag?.bagOutAt ?? null;
  if (bag === undefined || dueAt === null || ledger.insolubleG <= 0) return null;
  const isDue = now >= dueAt;
  const grams = drippingG(bag.insolubleG);
  return {
    bell: isDue ? 'swinging' : 'muffled',
    dueAt,
    sentence: isDue
      ? say`The bag of ${bag.name} comes out now. Let it drip, press lightly, weigh it.`
      : say`The bag of ${bag.name} comes out ${when(dueAt)}.`,
    station: 'pitch',
    done: isDue
      ? {
          label: say`Out, about ${massG(grams)}`,
          events: [{ kind: 'strain', payload: { massG: grams, share: Math.min(1, bag.insolubleG / ledger.insolubleG) } }],
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
    if (whyNotBottle(ledger, now) === null) return readingAsk('still', now, say`Steady since the honey. It may be bottled.`, 'bottle');
    if (now < verifyAt)
      return readingAsk(
        'muffled',
        verifyAt,
        say`Honey is in. Read the gravity ${when(verifyAt)}, before any bottle is closed.`,
        'watch',
        say`Read the gravity, before any bottle is closed`,
      );
    return readingAsk('swinging', verifyAt, say`48 hours since the honey. Take a reading; steady, it may be bottled.`);
  }
  const shut = firstShutGate(gatesOf(ledger, now));
  if (stable !== null) {
    if (shut?.id === 'waited')
      return {
        bell: 'muffled',
        dueAt: stable + DAY_MS,
        sentence: [...say`Sulfite and sorbate are working: `, ...shut.sentence, '.'],
        station: 'stabilize',
        done: null,
        dated: say`Read the gravity; then it may be sweetened`,
      };
    if (shut?.id === 'verified')
      return readingAsk('swinging', stable + DAY_MS, say`24 hours since sulfite and sorbate. Take a reading; then it may be sweetened.`);
    return readingAsk('still', now, say`Stable. Set out the glasses and find its sweetness, or bottle it as it is.`, 'sweeten');
  }
  if (shut?.id === 'clear') return readingAsk('still', now, say`Finished. Let it clear, and rack it off its lees.`, 'clear');
  if (shut?.id === 'degassed') return readingAsk('swinging', now, say`Finished and clear. Degas it before sulfite and sorbate.`, 'clear');
  return readingAsk('swinging', now, say`Ready to be stabilized, or bottled dry and still.`, 'stabilize');
}

/** The first cause of a stall by the school that feeds the batch, with what speaks for it. */
function likeliestCause(ledger: Ledger, feeding: FeedingPlan | null, now: number): Sentence {
  const evidence = feeding === null ? null : stallEvidence(ledger, now, feeding.practice.organicCredit);
  const [first] = evidence === null ? [] : rankCauses(evidence, ledger.findings);
  return first === undefined ? [] : [` Likeliest: ${first.cause.name.toLowerCase()}. `, ...(first.findings[0]?.sentence ?? [])];
}

/** What one vessel asks for, most pressing first; never empty, since “nothing” is an answer too. */
export function asksOf(ledger: Ledger, feeding: FeedingPlan | null, now: number): Ask[] {
  const state = stateOf(ledger, now);
  const lastAt = ledger.readings.at(-1)?.at ?? ledger.pitch?.at ?? now;
  switch (state.phase) {
    case 'bottled':
      return [readingAsk('still', now, say`In bottles. Taste it when it has had time.`, 'taste')];
    case 'empty':
      return [readingAsk('muffled', now, say`Planned. Mix it when the day comes.`, 'pitch')];
    case 'mixed':
      return [mixedAsk(ledger, now)];
    case 'moving again':
      return [readingAsk('cracked', now, state.sentence)];
    case 'stuck':
      return [readingAsk('cracked', now, [...state.sentence, ...likeliestCause(ledger, feeding, now)])];
    case 'suspect':
      return [readingAsk('swinging', now, state.sentence)];
    case 'stabilized':
    case 'finished':
      return [afterFinish(ledger, now)];
    case 'awaiting confirmation': {
      const provenAt = finishOf(ledger).provenAt ?? now;
      return [
        readingAsk(
          now >= provenAt ? 'swinging' : 'muffled',
          provenAt,
          state.sentence,
          'watch',
          say`Read the gravity again, to prove that it has stopped`,
        ),
      ];
    }
    case 'lag':
    case 'slowing':
    case 'active': {
      const asks: Ask[] = [];
      if (feeding !== null) asks.push(...[feedingAsk(ledger, feeding, now), smellAsk(ledger, feeding, now)].filter((ask) => ask !== null));
      const bag = bagAsk(ledger, now);
      if (bag !== null) asks.push(bag);
      const gapDays = now - (ledger.pitch?.at ?? now) < 14 * DAY_MS ? 2 : 5;
      if (now - lastAt > gapDays * DAY_MS)
        asks.push(readingAsk('swinging', lastAt + gapDays * DAY_MS, say`No reading since ${when(lastAt)}. Take one.`));
      if (asks.length === 0 || asks.every((ask) => ask.bell === 'muffled'))
        asks.push(readingAsk(state.phase === 'lag' ? 'muffled' : 'still', now, state.sentence));
      return asks;
    }
  }
}

const BELL_ORDER: Record<Bell, number> = { cracked: 0, swinging: 1, muffled: 2, still: 3 };

/** Cracked before swinging before waiting before well; within a kind, what was due first. */
export const byUrgency = (a: Ask, b: Ask): number => BELL_ORDER[a.bell] - BELL_ORDER[b.bell] || a.dueAt - b.dueAt;

/** Where the work on a batch is now. */
export function stationOf(ledger: Ledger, feeding: FeedingPlan | null, now: number): Station {
  if (mixedOf(ledger) === null && ledger.bottled === null) return ledger.pouredG > 0 ? 'watch' : 'formulate';
  const first = [...asksOf(ledger, feeding, now)].sort(byUrgency)[0];
  return first?.station ?? 'watch';
}
