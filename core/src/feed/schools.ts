import type { SchoolId } from './schoolIds.ts';
import { FIRST_AMMONIUM_H, THIRD_BREAK } from '../yeast/index.ts';
import { Refusal, readNumber } from '../quantities/index.ts';

/** When a dose comes: by the clock, or as soon as this share of the sugar is gone. */
export interface DoseTime {
  /** Hours after the pitch. */
  clockH: number;
  share: number | null;
  organic: boolean;
  ammonium: boolean;
}

export interface School {
  id: SchoolId;
  name: string;
  says: string;
  times: readonly DoseTime[];
}

/** Where the break is not seen, its dose comes on day 7. */
const DAY_7_H = 168;

const both = (clockH: number, share: number | null = null): DoseTime => ({ clockH, share, organic: true, ammonium: true });
const organic = (clockH: number, share: number | null = null): DoseTime => ({ clockH, share, organic: true, ammonium: false });
const ammonium = (clockH: number): DoseTime => ({ clockH, share: null, organic: false, ammonium: true });

/** No school gives ammonium before hour 6 or at the third break: beyond it, it is hardly taken up. */
export const SCHOOLS: Record<SchoolId, School> = {
  none: { id: 'none', name: 'Nothing but the must', says: 'What honey and fruit bring has to do.', times: [] },
  upfront: { id: 'upfront', name: 'All at once', says: 'Everything as soon as the yeast has started.', times: [both(FIRST_AMMONIUM_H)] },
  equal: {
    id: 'equal',
    name: 'Four equal parts',
    says: 'At the pitch, then after one, two and three days; ammonium only from the second.',
    times: [organic(0), both(24), both(48), both(72)],
  },
  clock: {
    id: 'clock',
    name: 'By the clock',
    says: 'After one, two and three days, and at the third break or on day 7.',
    times: [both(24), both(48), both(72), organic(DAY_7_H, THIRD_BREAK)],
  },
  gravity: {
    id: 'gravity',
    name: 'By the sugar',
    says: 'Equal shares of the sugar up to the third break, however fast it goes.',
    times: [both(12), both(60, THIRD_BREAK / 3), both(108, (2 * THIRD_BREAK) / 3), organic(DAY_7_H, THIRD_BREAK)],
  },
  early: {
    id: 'early',
    name: 'Ammonium early, then organic',
    says: 'Ammonium within the first day and a half, organic nutrient after it.',
    times: [ammonium(12), ammonium(36), organic(60), organic(DAY_7_H, THIRD_BREAK)],
  },
  organic: {
    id: 'organic',
    name: 'Organic alone',
    says: 'As by the clock, without any ammonium.',
    times: [organic(24), organic(48), organic(72), organic(DAY_7_H, THIRD_BREAK)],
  },
  own: { id: 'own', name: 'My own hours', says: 'At the hours you set.', times: [] },
  set: { id: 'set', name: 'Worked out from the shelf', says: 'Dose by dose as it was worked out for this must.', times: [] },
};

/** Thirty days: whatever ferments longer is past feeding. */
const LAST_DOSE_H = 720;
const MOST_DOSES = 10;

/**
 * Reads “24, 48, 72” as hours after the pitch, in order.
 * @throws Refusal for what is no hour, lies before the pitch or far behind it
 */
export function readDoseHours(typed: string): number[] {
  const words = typed.split(/[\s;]+|,\s*/).filter((word) => word !== '');
  if (words.length > MOST_DOSES) throw new Refusal(`${words.length} doses are more than anyone stirs in; set at most ${MOST_DOSES}.`);
  return words
    .map((word) => {
      const hour = readNumber(word, { units: 'metric', locale: 'en' });
      if (hour < 0) throw new Refusal(`${word} h lies before the pitch. Hours count from the pitch, from 0 on.`);
      if (hour > LAST_DOSE_H)
        throw new Refusal(`${word} h is more than a month after the pitch, when nothing fed is of use; set at most 720.`);
      return hour;
    })
    .sort((a, b) => a - b);
}

/** The times of a school; of one's own hours, all but the last may hold ammonium, none before it is good. */
export function timesOf(school: SchoolId, ownHours: readonly number[]): readonly DoseTime[] {
  if (school !== 'own') return SCHOOLS[school].times;
  const hours = [...ownHours].sort((a, b) => a - b);
  return hours.map((h, i) => (h < FIRST_AMMONIUM_H || (i === hours.length - 1 && hours.length > 1) ? organic(h) : both(h)));
}
