import { say } from '../../quantities/index.ts';
import { firstShutGate, gatesOf } from '../../stabilize/index.ts';
import { WAIT_H, VERIFY_H, provenReadings, stabilizedAt, sweetenedAt, whyNotBottle } from '../../watch/index.ts';
import type { BatchState } from '../../watch/index.ts';
import { HOUR_MS } from '../../quantities/index.ts';
import { asked } from '../ask.ts';
import type { AskRule, Asked, Asking } from '../ask.ts';

export const isDone = ({ phase }: BatchState): boolean => phase === 'finished' || phase === 'stabilized';

/** Asks of a mead that has ended, for the time before its honey and after it. */
const between =
  (asks: {
    sweetened?: (of: Asking, honeyAt: number) => Asked | null;
    stable?: (of: Asking, at: number) => Asked | null;
    open?: (of: Asking) => Asked | null;
  }) =>
  (of: Asking): Asked | null => {
    if (!isDone(of.state)) return null;
    const honeyAt = sweetenedAt(of.ledger);
    if (honeyAt !== null) return asks.sweetened?.(of, honeyAt) ?? null;
    const stable = stabilizedAt(of.ledger);
    return stable === null ? (asks.open?.(of) ?? null) : (asks.stable?.(of, stable) ?? null);
  };
const shutGate = ({ ledger, now }: Asking) => firstShutGate(gatesOf(ledger, now));
const isReadSince = ({ ledger }: Asking, honeyAt: number): boolean => provenReadings(ledger).some(({ at }) => at > honeyAt);

export const firstAfterHoney: AskRule = {
  asks: between({
    sweetened: (of, honeyAt) =>
      whyNotBottle(of.ledger, of.now) === null || isReadSince(of, honeyAt)
        ? null
        : asked(
            `after honey ${honeyAt}`,
            'swinging',
            honeyAt,
            say`Honey is in. Once it is stirred in, read the gravity; the next reading is held against it.`,
          ),
  }),
};

export const verify: AskRule = {
  asks: between({
    sweetened: (of, honeyAt) => {
      const why = whyNotBottle(of.ledger, of.now);
      if (why === null || !isReadSince(of, honeyAt)) return null;
      const verifyAt = honeyAt + VERIFY_H * HOUR_MS;
      const dated = say`Read the gravity, before any bottle is closed`;
      return asked(honeyAt, of.now < verifyAt ? 'muffled' : 'swinging', verifyAt, why, 'watch', dated);
    },
  }),
};

export const bottle: AskRule = {
  asks: between({
    sweetened: ({ ledger, now }) =>
      whyNotBottle(ledger, now) === null ? asked(undefined, 'still', now, say`Steady since the honey. It may be bottled.`, 'bottle') : null,
  }),
};

export const wait: AskRule = {
  asks: between({
    stable: (of, stable) => {
      const shut = shutGate(of);
      const dueAt = stable + WAIT_H * HOUR_MS;
      if (shut?.id === 'waited') {
        const told = [...say`Sulfite and sorbate are working: `, ...shut.sentence, '.'];
        return asked(stable, 'muffled', dueAt, told, 'stabilize', say`Read the gravity; then it may be sweetened`);
      }
      return shut?.id === 'verified'
        ? asked(stable, 'swinging', dueAt, say`24 hours since sulfite and sorbate. Take a reading; then it may be sweetened.`)
        : null;
    },
  }),
};

export const sweeten: AskRule = {
  asks: between({
    stable: (of) =>
      ['waited', 'verified'].includes(shutGate(of)?.id ?? '')
        ? null
        : asked(undefined, 'still', of.now, say`Stable. Set out the glasses and find its sweetness, or bottle it as it is.`, 'sweeten'),
  }),
};

export const clear: AskRule = {
  asks: between({
    open: (of) =>
      shutGate(of)?.id === 'clear'
        ? asked(undefined, 'still', of.now, say`Finished. Let it clear, and rack it off its lees.`, 'clear')
        : null,
  }),
};

export const stabilize: AskRule = {
  asks: between({
    open: (of) => {
      if (['clear', 'degassed'].includes(shutGate(of)?.id ?? '')) return null;
      const told =
        whyNotBottle(of.ledger, of.now) === null
          ? say`Ready to be stabilized, or bottled dry and still.`
          : say`Ready to be stabilized. It is not to be bottled without: what is left in it could burst glass.`;
      return asked(undefined, 'swinging', of.now, told, 'stabilize');
    },
  }),
};
