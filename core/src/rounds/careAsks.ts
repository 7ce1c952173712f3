import type { Ledger, Mark } from '../record/index.ts';
import { DAY_MS, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { cureUnderWay, gasOutAt, restartPlan, starterPours } from '../watch/index.ts';
import { ask } from './ask.ts';
import type { Ask } from './ask.ts';

/** Fuzz, color or hair on it, or a smell that makes one retch. */
export const DISCARD: Sentence = [
  'Fuzz, blue, green or black growth, or a smell that makes one retch: do not taste it. Discard it, bleach everything it touched, then sanitize. A flat, dry skin is a film.',
];

/** What eye and nose found stays a matter for so long, unless it is left with a reason. */
const SENSED_DAYS = 10;
const SENSED = {
  film: 'A film lies on it, so it has air. Rack it from under the film into a full vessel, keep air out, and do not stir the film in.',
  vinegar:
    'It smells of vinegar: air and the bacteria that like it. Fill it up and close it; what has turned does not turn back. Keep it from the others.',
  rubber: 'It smells of burnt rubber: yeast that lies too long on its lees. Rack it off; what is there is mostly beyond repair.',
  geranium: 'It smells of geraniums: bacteria have turned the sorbate. Nothing removes it; do not blend it into others.',
  solvent: 'It smells of solvent: yeast that was too warm or starved. Keep it cool and degas it; young it may fade, old it stays.',
} as const satisfies Partial<Record<Mark, string>>;

/** What is not to be drunk stays a matter until the batch is gone. */
const DISCARDED: readonly Mark[] = ['mold', 'retching'];

export function sensedAsks(ledger: Ledger, now: number): Ask[] {
  const spoiled = DISCARDED.flatMap((mark) => {
    const at = ledger.history.marks[mark];
    return at === undefined ? [] : [ask(`${mark} ${at}`, 'cracked', at, DISCARD)];
  });
  return [...spoiled, ...sensed(ledger, now)];
}

function sensed(ledger: Ledger, now: number): Ask[] {
  return Object.entries(SENSED).flatMap(([mark, told]) => {
    const at = ledger.history.marks[mark as keyof typeof SENSED];
    return at === undefined || now - at > SENSED_DAYS * DAY_MS ? [] : [ask(`${mark} ${at}`, 'swinging', at, [told])];
  });
}

/** In its first week a must is degassed once a day at least (trade habit; some do it twice, some not at all). */
const DEGAS_DAYS = 7;

export function degasAsk(ledger: Ledger, now: number): Ask | null {
  const { pitch } = ledger.history;
  if (pitch === null || now - pitch.at > DEGAS_DAYS * DAY_MS) return null;
  const dueAt = gasOutAt(ledger, pitch.at) + DAY_MS;
  if (now < dueAt) return null;
  return {
    key: 'degas',
    bell: 'swinging',
    dueAt,
    sentence: ['Degas it: stir slowly until the foam settles, then let it be.'],
    station: 'feed',
    done: { label: ['Degassed'], events: [{ kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }] },
  };
}

/** What was tried against a stall works, or does not, before anything else is tried. */
export function cureAsk(ledger: Ledger, now: number): Ask | null {
  const trying = cureUnderWay(ledger);
  if (trying === null) return null;
  const { at, readAt, told } = trying;
  const since: Sentence = [...say`Since ${when(at)}: `, ...told];
  return now < readAt
    ? ask(`cure ${at}`, 'muffled', readAt, [...since, ...say`. One change at a time: read it again ${when(readAt)}.`], 'watch', [
        'Read the gravity; it tells whether this helped: ',
        ...told,
      ])
    : ask(`cure ${at}`, 'swinging', readAt, [...since, '. Read the gravity now; it tells whether that helped.']);
}

/** A starter that takes longer than this over one doubling has met a mead that is beyond it. */
const STARTER_STOPS_DAYS = 3;

/** The next step of a starter for what is stuck; its last one brings its water and yeast into the record. */
export function restartAsk(ledger: Ledger, now: number): Ask | null {
  const { restart } = ledger.care;
  if (restart === null) return null;
  const steps = restartPlan(restart.volumeL, restart.sg);
  const next = steps.findIndex((_, i) => restart.doneAt[i] === undefined);
  const step = steps[next];
  if (step === undefined) return null;
  const since = next === 0 ? restart.at : (restart.doneAt[next - 1] ?? restart.at);
  const dueAt = next === 0 ? restart.at : since + DAY_MS;
  const isBeyond = next > 0 && now - since > STARTER_STOPS_DAYS * DAY_MS;
  const told = say`Starter, step ${String(next + 1)} of ${String(steps.length)}. `;
  return {
    key: `starter ${restart.at} ${next}`,
    bell: now >= dueAt ? 'swinging' : 'muffled',
    dueAt,
    sentence: isBeyond
      ? [
          ...told,
          'Has it not halved its gravity in three days, stop here: the mead is beyond this yeast. Leave it closed under a lock, and do not bottle it before it is stabilized.',
        ]
      : [...told, ...step.sentence],
    station: 'watch',
    done:
      now >= dueAt
        ? {
            label: ['Step done'],
            events: [
              { kind: 'restartStep', payload: { index: next } },
              ...(next === steps.length - 1 ? starterPours(restart.volumeL) : []),
            ],
          }
        : null,
    dated: [...told, ...step.sentence],
  };
}
