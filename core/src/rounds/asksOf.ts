import type { FeedingPlan } from '../feed/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { isAllBottled, mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { USUAL_SCHOOL } from '../stabilize/index.ts';
import { stateOf, traitsOf } from '../watch/index.ts';
import type { BatchState } from '../watch/index.ts';
import { USUALLY_PER_DAY, asked } from './ask.ts';
import type { Ask, AskPractice, AskRule, Asked, Asking, Station } from './ask.ts';
import { ASK_RULES } from './asks/index.ts';
import type { AskKind } from './asks/index.ts';
import { byUrgency } from './urgency.ts';

const RULES = Object.entries(ASK_RULES) as [AskKind, AskRule][];
/** A record that cannot be reckoned hides every other harm. */
const WORST = -1;

function askOf(kind: AskKind, harm: number, { of, ...rest }: Asked, isDanger = false): Ask {
  const key = of === undefined ? kind : `${kind} ${of}`;
  return { ...rest, kind, key, harm, mayWait: !isDanger && rest.bell !== 'still' };
}

/** What is put off waits or is gone. */
function settled(each: Ask, ledger: Ledger, now: number): Ask[] {
  const put = ledger.care.putOff[each.key];
  if (put === undefined || !each.mayWait) return [each];
  if (put.until === null) return [];
  return put.until <= now ? [each] : [{ ...each, bell: 'muffled', dueAt: Math.max(each.dueAt, put.until) }];
}

/** How it goes, where a must that ferments asks for nothing now. */
function stateAsk({ state, now }: Asking): Ask {
  const bell = state.phase === 'lag' ? 'muffled' : 'still';
  return askOf('state', RULES.length, asked(state.phase, bell, now, state.sentence));
}

function openAsks(of: Asking): Ask[] {
  const asks = RULES.flatMap(([kind, { asks: ask, isDanger }], harm) =>
    [ask(of) ?? []].flat().map((each) => askOf(kind, harm, each, isDanger)),
  );
  const isWaiting =
    traitsOf(of.state.phase).isPaced === true &&
    of.state.phase !== 'unread' &&
    asks.every(({ bell, kind }) => bell === 'muffled' || !PACED.includes(kind));
  return isWaiting ? [...asks, stateAsk(of)] : asks;
}
/** What the yeast's own pace asks for; bags, smells and starters have a time of their own. */
const PACED: readonly string[] = ['dose', 'degas', 'cap', 'sulfur', 'reading'] satisfies AskKind[];

const asking = (
  ledger: Ledger,
  feeding: FeedingPlan | null,
  state: BatchState,
  now: number,
  { degasPerDay = USUALLY_PER_DAY, stabilizing = USUAL_SCHOOL, racking = 'at dryness', roomTempC = 20 }: AskPractice,
): Asking => ({
  degasPerDay,
  school: stabilizing,
  rackSchool: racking,
  roomTempC,
  ledger,
  feeding,
  state,
  now,
  lastAt: ledger.history.readings.at(-1)?.at ?? ledger.history.pitch?.at ?? now,
});

/** What one vessel asks for, most pressing first; never empty, since “nothing” is an answer too. What was put off waits or is gone. */
export function asksOf(ledger: Ledger, feeding: FeedingPlan | null, now: number, practice: AskPractice = {}): Ask[] {
  const state = stateOf(ledger, now);
  const open = openAsks(asking(ledger, feeding, state, now, practice)).flatMap((each) => settled(each, ledger, now));
  return open.length > 0 ? open.sort(byUrgency) : [askOf('nothing', RULES.length, asked(undefined, 'still', now, state.sentence))];
}

/** What a batch asks for that cannot be reckoned: its log, where the entry that does it can be taken back. */
export const unreckonedAsk = (why: Sentence, now: number): Ask =>
  askOf(
    'unreckoned',
    WORST,
    asked(undefined, 'cracked', now, ['It cannot be reckoned as it stands. ', ...why, ' Open it and correct or take back that entry.']),
  );

/** Where the work on a batch is now. */
export function stationOf(ledger: Ledger, feeding: FeedingPlan | null, now: number, practice: AskPractice = {}): Station {
  if (mixedOf(ledger) === null && !isAllBottled(ledger)) return ledger.liquid.pouredG > 0 ? 'watch' : 'formulate';
  return asksOf(ledger, feeding, now, practice)[0]?.station ?? 'watch';
}
