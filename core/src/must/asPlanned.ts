import { eventsAt, fold } from '../record/index.ts';
import type { BatchEvent, EventContent, Ledger } from '../record/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { pourOf } from './stepDone.ts';
import { asMixed } from './plan.ts';
import type { MustPlan } from './plan.ts';

function pitchOf(plan: Pick<MustPlan, 'yeastId' | 'own'>): EventContent {
  const { yeastId, own } = plan;
  return { kind: 'yeast', payload: { yeastId, name: yeastOf(plan).name, massG: 0, ...(own === undefined ? {} : { own }) } };
}

/**
 * The ledger of a batch that would be mixed and pitched exactly as planned, all at this moment: what comes later can be
 * worked out before anything is poured. What goes in after the pitch is left out.
 */
export function ledgerAsPlanned(plan: MustPlan, at: number): Ledger {
  const mixed = asMixed(plan);
  const pours = plan.ingredients.filter(({ stage, massG }) => stage === 'before' && massG > 0).map((line) => pourOf(line, line.massG));
  const rows: EventContent[] = [...pours, { kind: 'water', payload: { volumeL: mixed.waterL } }, pitchOf(plan)];
  return fold(
    eventsAt(
      at,
      rows.map((content) => [0, content]),
    ),
  );
}

/** The ledger of a must as it is mixed, were the planned yeast pitched at this moment. */
export function ledgerPitchedNow(events: readonly BatchEvent[], plan: Pick<MustPlan, 'yeastId' | 'own'>, at: number): Ledger {
  const [pitch] = eventsAt(at, [[0, pitchOf(plan)]]);
  return fold(pitch === undefined ? events : [...events, { ...pitch, seq: events.length + 1 }]);
}
