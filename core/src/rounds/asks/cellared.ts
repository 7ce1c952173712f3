import { carbonateDays, isPrimed } from '../../carbonate/index.ts';
import { SOON_DAYS, firstOutBy, windowOf } from '../../cellar/index.ts';
import { bottlesLeft, isAllBottled } from '../../record/index.ts';
import type { EventContent } from '../../record/index.ts';
import { DAY_MS, MONTH_MS, onDay, say } from '../../quantities/index.ts';
import { asked } from '../ask.ts';
import type { AskRule, Asking } from '../ask.ts';

/** Nothing of the cellar is spoken of earlier than this before its day (our estimate). */
const EARLY_MS = 10 * DAY_MS;
/** Colder than this nobody leaves bottles that are to make gas. */
const COLDEST_C = 10;
/** After the first taste it is tasted again, months after the bottling (trade habit: the one-year bottle is forgotten without a reminder). */
const AGAIN_MONTHS = [6, 12] as const;

const left = ({ ledger }: Asking): number => (isAllBottled(ledger) ? bottlesLeft(ledger) : 0);
const bell = (now: number, dueAt: number): 'swinging' | 'muffled' => (now >= dueAt ? 'swinging' : 'muffled');
const bottles = (count: number): string => (count === 1 ? 'one bottle' : `${count} bottles`);

const OPENED: EventContent = { kind: 'bottleOut', payload: { count: 1, end: 'opened' } };

/** A primed batch is opened once, before many are trusted. */
export const testBottle: AskRule = {
  asks: (of) => {
    const { ledger, now } = of;
    const filling = ledger.history.bottled?.fillings.findLast(isPrimed);
    const days = carbonateDays(Math.max(COLDEST_C, of.roomTempC));
    if (left(of) === 0 || filling === undefined || days === null) return null;
    const isOpened = ledger.history.bottlesOut.some(({ at, end }) => end === 'opened' && at > filling.at);
    if (isOpened || ledger.history.tastings.some(({ at }) => at > filling.at)) return null;
    const dueAt = filling.at + days.value * DAY_MS;
    const ask = asked(
      filling.at,
      bell(now, dueAt),
      dueAt,
      say`Test bottle ${now >= dueAt ? 'now' : onDay(dueAt)}: cool one for a day, open it outdoors under a cloth, eyes away. If it sprays, the others have too much gas.`,
      'bottle',
      say`Cool a test bottle for a day, and open it`,
    );
    return now < dueAt ? ask : { ...ask, done: { label: ['Opened the test bottle'], events: [OPENED] } };
  },
};

/** First taste, half a year, a year. */
export const tasteAgain: AskRule = {
  asks: (of) => {
    const { ledger, now } = of;
    const window = windowOf(ledger);
    const { bottled, tastings } = ledger.history;
    if (left(of) === 0 || bottled === null || window === null) return null;
    const since = tastings.filter(({ at }) => at > bottled.at);
    const dues = [
      window.restsUntil,
      ...AGAIN_MONTHS.map((months) => bottled.at + months * MONTH_MS).filter((at) => at > window.restsUntil + MONTH_MS),
    ];
    const dueAt = dues.findLast((at) => at <= now + EARLY_MS);
    if (dueAt === undefined || since.some(({ at }) => at >= dueAt - MONTH_MS)) return null;
    const told =
      dueAt === window.restsUntil ? 'Its first taste' : `A taste, ${Math.round((dueAt - bottled.at) / MONTH_MS)} months after the bottling`;
    return asked(
      dueAt,
      bell(now, dueAt),
      dueAt,
      say`${told}${now >= dueAt ? '' : ', '}${now >= dueAt ? '' : onDay(dueAt)}: open one and write a word or two.`,
      'taste',
      say`Taste one, and write a word or two`,
    );
  },
};

/** What is to be drunk while it is good. */
export const drinkBy: AskRule = {
  asks: (of) => {
    const { ledger, now } = of;
    const window = windowOf(ledger);
    if (left(of) === 0 || window === null) return null;
    const screwed = firstOutBy(ledger);
    const by = screwed !== null && screwed > now ? screwed : window.drinkBy;
    if (now < by - SOON_DAYS * DAY_MS) return null;
    const which = by === screwed ? 'those under a screw cap' : bottles(left(of));
    return asked(
      by,
      bell(now, by - (SOON_DAYS / 2) * DAY_MS),
      by,
      now >= by
        ? say`Past its time by our estimate, ${bottles(left(of))} left: open one, and say how it is.`
        : say`Drink first: ${which}, by ${onDay(by)}. Our estimate; your tasting moves it.`,
      'taste',
      say`Drink what is left of it`,
    );
  },
};

/** The last glass of a batch has its word. */
export const verdict: AskRule = {
  asks: (of) => {
    const { ledger, now } = of;
    const { bottled, marks, bottlesOut } = ledger.history;
    if (bottled === null || !isAllBottled(ledger) || bottlesLeft(ledger) > 0 || (marks.verdict ?? 0) > bottled.at) return null;
    const last = bottlesOut.at(-1)?.at ?? now;
    return asked(last, 'swinging', last, say`The last one is gone. What was it in the end, and what would you do differently?`, 'taste');
  },
};
