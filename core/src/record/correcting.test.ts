import { describe, expect, it } from 'vitest';
import { checkEvents } from '../check/index.ts';
import { honey, water, yeast } from '../testing/examples.ts';
import { eventsAt } from './build.ts';
import { fold, inKeeping, viewOf } from './index.ts';

const START = Date.UTC(2026, 0, 5, 9);

describe('a correction keeps the rest in keeping', () => {
  const vessel = (name: string) => ({ kind: 'jug' as const, name, capacityL: 5 });
  const racked = {
    kind: 'rack' as const,
    payload: {
      volumeL: 4.5,
      into: [
        { vessel: vessel('big'), volumeL: 4 },
        { vessel: vessel('small'), volumeL: 0.5, companion: true },
      ],
    },
  };

  it('a racking into several vessels is corrected by its sum, each keeping its share', () => {
    const events = eventsAt(START, [
      [0, honey(1500)],
      [0, water(4)],
      [1, yeast],
      [300, racked],
    ]);
    const at = START + 300 * 3_600_000;
    const replacement = inKeeping({ kind: 'rack', payload: { ...racked.payload, volumeL: 4.05 }, happenedAt: at });
    const fix = { kind: 'amendment', payload: { eventId: events.at(-1)!.id, replacement }, id: 'fix', happenedAt: at } as const;
    expect(() => checkEvents(events, [fix], at)).not.toThrow();
    const ledger = fold([...events, { ...fix, seq: events.length + 1, enteredAt: at }]);
    expect(viewOf(ledger)!.volumeL).toBeCloseTo(4.05, 6);
    expect(ledger.history.vessels.map(({ volumeL, isCompanion }) => [Number(volumeL.toFixed(6)), isCompanion])).toEqual([
      [3.6, false],
      [0.45, true],
    ]);
  });
});
