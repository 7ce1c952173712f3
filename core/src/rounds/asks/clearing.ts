import { MUCH_AIR_MM, finedUntil, rackAdvice, standsInto, tasteNext } from '../../clear/index.ts';
import { mm, say, when } from '../../quantities/index.ts';
import { mixedOf } from '../../record/index.ts';
import { filledNow } from '../../vessel/index.ts';
import { finishOf } from '../../glass/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';
import { isDone } from './finished.ts';

/** Off its lees, where more than habit asks for it. */
export const rack: AskRule = {
  asks: ({ ledger, state, now, rackSchool }) => {
    const advice = isDone(state) || state.phase === 'near its end' || state.phase === 'active' ? rackAdvice(ledger, now, rackSchool) : null;
    if (advice === null || advice.asks === 'none' || finedUntil(ledger) !== null) return null;
    const bell = advice.asks === 'now' ? 'swinging' : 'muffled';
    return asked(`racking ${advice.count + 1}`, bell, advice.dueAt ?? now, advice.sentence, 'clear', say`Rack it off its lees`);
  },
};

/** Off its finings, once they have settled. */
export const offFinings: AskRule = {
  asks: ({ ledger, state, now }) => {
    const fined = isDone(state) ? finedUntil(ledger) : null;
    if (fined === null) return null;
    const isSettled = now >= fined.settledAt;
    return asked(
      fined.at,
      isSettled ? 'swinging' : 'muffled',
      fined.settledAt,
      isSettled
        ? say`The ${fined.name} has had its time: rack it off.`
        : say`The ${fined.name} settles until ${when(fined.settledAt)}; leave it alone, then rack it off.`,
      'clear',
      say`Rack it off the ${fined.name}`,
    );
  },
};

/** Air above an ageing mead. Asked where its vessels are on record; a plan's vessel is where it fermented. */
export const headspace: AskRule = {
  asks: ({ ledger, state, now }) => {
    const { vessels, rackedAt } = ledger.history;
    if (!isDone(state) || rackedAt === null) return null;
    const airy = filledNow(vessels, mixedOf(ledger)?.volumeL ?? 0)
      .filter(({ isCompanion, volumeL }) => !isCompanion && volumeL > 0)
      .map(({ vessel, volumeL }) => standsInto(vessel, volumeL))
      .find(({ is, headspaceMm }) => is === 'wide' || headspaceMm > MUCH_AIR_MM);
    if (airy === undefined) return null;
    return asked(
      `air ${rackedAt}`,
      'swinging',
      now,
      airy.is === 'wide'
        ? say`It stands in the ${airy.vessel.name}: a wide mouth ages badly. Rack it into a full, narrow neck.`
        : say`${mm(airy.headspaceMm)} of air stands above it in the ${airy.vessel.name}. Top it up, or close the gap.`,
      'clear',
    );
  },
};

/** Wood and spice go on giving: taste by the day. */
export const tasteBy: AskRule = {
  asks: ({ ledger, state, now }) => {
    const finishedAt = isDone(state) ? finishOf(ledger).since : null;
    return finishedAt === null
      ? []
      : tasteNext(ledger, finishedAt).map(({ eventId, dueAt, sentence, name }) =>
          asked(`${eventId} ${dueAt}`, now >= dueAt ? 'swinging' : 'muffled', dueAt, sentence, 'clear', say`Taste the ${name}`),
        );
  },
};
