import { HOUR_MS, say, when } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { bearsHoney, firstShutGate, gatesOf, protectionOf } from '../../stabilize/index.ts';
import { GUARD_WAIT_H, judge, whyShut } from '../../glass/index.ts';
import { provenReadings, stabilizedAt, sweetenedAt } from '../../record/index.ts';
import type { BatchState } from '../../watch/index.ts';
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
export const shutGate = ({ ledger, now, school }: Asking) => firstShutGate(gatesOf(ledger, now, school));
const isReadSince = ({ ledger }: Asking, honeyAt: number): boolean => provenReadings(ledger).some(({ at }) => at > honeyAt);
const byHeat = ({ ledger: { history } }: Asking): boolean => history.guarded?.by === 'heat';

export const firstAfterHoney: AskRule = {
  asks: between({
    sweetened: (of, honeyAt) =>
      whyShut(of.ledger, of.now) === null || isReadSince(of, honeyAt)
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
      const why = whyShut(of.ledger, of.now);
      if (why === null || !isReadSince(of, honeyAt)) return null;
      const verifyAt = judge(of.ledger, of.now).ways[0]?.at ?? of.now;
      const dated = say`Read the gravity, before any bottle is closed`;
      return asked(honeyAt, of.now < verifyAt ? 'muffled' : 'swinging', verifyAt, why, 'watch', dated);
    },
    /** Heat is proven by readings: the first after its rest is asked for by its gate, the next here. */
    stable: (of, stable) => {
      if (!byHeat(of) || shutGate(of) !== null) return null;
      const why = whyShut(of.ledger, of.now);
      return why === null ? null : asked(`after heat ${stable}`, 'muffled', of.now, why, 'watch');
    },
  }),
};

/** A week after honey it is looked at once more, though two readings agree. */
const AGAIN_H = 7 * 24;
export const weekLater: AskRule = {
  asks: between({
    sweetened: ({ ledger, now }, honeyAt) => {
      const dueAt = honeyAt + AGAIN_H * HOUR_MS;
      if (whyShut(ledger, now) !== null || provenReadings(ledger).some(({ at }) => at >= dueAt)) return null;
      return asked(
        `a week after honey ${honeyAt}`,
        now >= dueAt ? 'swinging' : 'muffled',
        dueAt,
        say`Honey has been in it a week ${now >= dueAt ? 'and more' : when(dueAt)}: read it once more. A falling gravity is an alarm.`,
        'watch',
        say`Read the gravity once more, a week after the honey`,
      );
    },
  }),
};

/** That it may be bottled, or what glass asks first; null while it is shut. */
function mayBottle({ ledger, now }: Asking, open: Sentence): Asked | null {
  const { verdict, why } = judge(ledger, now);
  return verdict === 'shut' ? null : asked(undefined, 'still', now, verdict === 'open' ? open : why, 'bottle');
}

export const bottle: AskRule = {
  asks: between({
    sweetened: (of) => mayBottle(of, say`Steady since the honey. It may be bottled.`),
    open: (of) => (bearsHoney(of.school) ? null : mayBottle(of, say`Dry and still: it may be bottled as it is.`)),
  }),
};

export const wait: AskRule = {
  asks: between({
    stable: (of, stable) => {
      const shut = shutGate(of);
      const heat = byHeat(of);
      const dueAt = stable + GUARD_WAIT_H[heat ? 'heat' : 'dose'] * HOUR_MS;
      if (shut?.id === 'waited') {
        const told = [heat ? 'It rests from the heat: ' : 'Sulfite and sorbate are working: ', ...shut.sentence, '.'];
        return asked(stable, 'muffled', dueAt, told, 'stabilize', say`Read the gravity; then it may be sweetened`);
      }
      return shut?.id === 'verified'
        ? asked(
            stable,
            'swinging',
            dueAt,
            heat
              ? say`It has rested since the heat. Take a reading; then it may be sweetened.`
              : say`24 hours since sulfite and sorbate. Take a reading; then it may be sweetened.`,
          )
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
      const why = whyShut(of.ledger, of.now);
      if (!bearsHoney(of.school)) return why === null ? null : asked(undefined, 'swinging', of.now, why, 'stabilize');
      const told =
        judge(of.ledger, of.now).verdict === 'open'
          ? say`Ready to be stabilized, or bottled dry and still.`
          : say`Ready to be stabilized. It is not to be bottled without: what is left in it could burst glass.`;
      return asked(undefined, 'swinging', of.now, told, 'stabilize');
    },
  }),
};

/** So long before the sulfite may have faded it is spoken of. */
const SOON_MS = 7 * 24 * HOUR_MS;

/** What guards it fades: sulfite binds and goes, by our estimate and only a test tells. */
export const fading: AskRule = {
  asks: ({ ledger, state, now }) => {
    const fadesAt = isDone(state) ? (protectionOf(ledger, now)?.fadesAt ?? null) : null;
    if (fadesAt === null || now < fadesAt - SOON_MS) return null;
    return asked(
      fadesAt,
      now >= fadesAt ? 'swinging' : 'muffled',
      fadesAt,
      say`Its sulfite may have faded too far ${now >= fadesAt ? 'by now' : when(fadesAt)}, by our estimate. Measure the free SO₂, or top it up, before sugar lies safe in it.`,
      'stabilize',
    );
  },
};
