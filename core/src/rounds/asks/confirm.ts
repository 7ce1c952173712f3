import { say } from '../../quantities/index.ts';
import { finishOf } from '../../glass/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

export const confirm: AskRule = {
  asks: ({ ledger, state: { phase, sentence }, now }) => {
    if (phase !== 'near its end' && phase !== 'awaiting confirmation') return null;
    const { wantsHydrometer, since, provenAt } = finishOf(ledger);
    const dueAt = wantsHydrometer ? (since ?? now) : (provenAt ?? now);
    const dated = say`Read the gravity again, to prove that it has stopped`;
    return asked(since ?? 0, now >= dueAt ? 'swinging' : 'muffled', dueAt, sentence, 'watch', dated);
  },
};
