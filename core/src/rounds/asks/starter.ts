import { DAY_MS, say } from '../../quantities/index.ts';
import type { Ledger } from '../../record/index.ts';
import { restartPlan, starterPours, traitsOf } from '../../watch/index.ts';
import type { AskRule } from '../ask.ts';

/** A starter that takes longer than this over one doubling has met a mead that is beyond it. */
const STARTER_STOPS_DAYS = 3;

function nextStep(ledger: Ledger) {
  const { restart } = ledger.care;
  if (restart === null) return null;
  const steps = restartPlan(restart.volumeL, restart.sg);
  const next = steps.findIndex((_, i) => restart.doneAt[i] === undefined);
  const step = steps[next];
  return step === undefined ? null : { restart, steps, next, step };
}

export const starterUnderWay = (ledger: Ledger): boolean => nextStep(ledger) !== null;

/** The next step of a starter for what is stuck; its last one brings its water and yeast into the record. */
export const starter: AskRule = {
  asks: ({ ledger, state, now }) => {
    const { isAway, isAlarm } = traitsOf(state.phase);
    const found = isAway || isAlarm ? null : nextStep(ledger);
    if (found === null) return null;
    const { restart, steps, next, step } = found;
    const since = next === 0 ? restart.at : (restart.doneAt[next - 1] ?? restart.at);
    const dueAt = next === 0 ? restart.at : since + DAY_MS;
    const isBeyond = next > 0 && now - since > STARTER_STOPS_DAYS * DAY_MS;
    const isLast = next === steps.length - 1;
    const told = say`Starter, step ${String(next + 1)} of ${String(steps.length)}. `;
    return {
      of: `${restart.at} ${next}`,
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
              events: [{ kind: 'restartStep', payload: { index: next } }, ...(isLast ? starterPours(restart.volumeL) : [])],
            }
          : null,
      dated: [...told, ...step.sentence],
    };
  },
};
