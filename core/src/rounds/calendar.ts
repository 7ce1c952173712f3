import { LEAST_DOSE_G } from '../nitrogen/index.ts';
import { feedingNow, isComing } from '../feed/index.ts';
import type { FeedingPlan } from '../feed/index.ts';
import type { Ledger } from '../record/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { doseTold } from './asks/dose.ts';
import { asksOf } from './asksOf.ts';
import type { AskPractice, Station } from './ask.ts';

/** Something with a date, for a calendar outside. */
export interface CalendarEntry {
  /** The same for the same happening whenever it is computed. */
  id: string;
  at: number;
  summary: Sentence;
  detail: Sentence;
  station: Station;
}

/** Everything of a batch that has a date: each dose that is still to come, and what it waits for. */
export function calendarOf(ledger: Ledger, feeding: FeedingPlan | null, now: number, practice: AskPractice = {}): CalendarEntry[] {
  const doses = feeding === null ? [] : feedingNow(feeding, ledger, now).doses.filter(isComing);
  const fed = doses
    .filter(({ parts }) => parts.some(({ massG }) => massG >= LEAST_DOSE_G))
    .map((dose): CalendarEntry => ({
      id: `dose ${dose.dose.number}`,
      at: dose.expectedAt,
      summary: [`Dose ${dose.dose.number}: `, ...doseTold(dose)],
      detail: [
        dose.dose.share === null ? '' : 'By the sugar, as it goes now; a reading moves it. ',
        'Degas slowly first: powder gives the gas a place to form. Reckoned for what is in the vessel; look at the batch before you weigh.',
      ],
      station: 'feed',
    }));
  const asked = asksOf(ledger, feeding, now, practice).flatMap(({ dated, dueAt, station }): CalendarEntry[] =>
    dated === undefined ? [] : [{ id: `${station} ${dueAt}`, at: dueAt, summary: dated, detail: [], station }],
  );
  return [...fed, ...asked].sort((a, b) => a.at - b.at);
}
