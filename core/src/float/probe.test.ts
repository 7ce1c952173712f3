import { describe, expect, it } from 'vitest';
import { seeded } from '../numerics/index.ts';
import { HOUR_MS, MINUTE_MS } from '../quantities/index.ts';
import { fold } from '../record/index.ts';
import { MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import { eventsAt } from '../record/index.ts';
import { EXAMPLE_HONEY } from '../testing/exampleBatch.ts';
import { probeReadings } from '../simulate/index.ts';
import { settleProbe, withSent } from './index.ts';

const play = { startAt: MIXED_AT + 900 * HOUR_MS, startC: 20, bathC: 64, lagMin: 15, minutes: 80 };
const good = probeReadings(play, seeded(3));
const record = eventsAt(MIXED_AT, [
  [0, EXAMPLE_HONEY],
  [0, { kind: 'water', payload: { volumeL: 4.6 } }],
  [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'allround', massG: 6 } }],
]);

describe('a probe in a heated mead', () => {
  it('follows its bath, and heats it in the ledger without a word in the record', () => {
    expect(good.at(-1)!.coreC).toBeGreaterThan(62);
    expect(settleProbe(good)).toEqual({ points: good, faults: [] });
    const ledger = fold(withSent(record, { float: [], probe: good }));
    expect(record).toHaveLength(3);
    expect(ledger.history.cores).toHaveLength(81);
    expect(ledger.history.guarded).toMatchObject({ by: 'heat' });
    expect(exampleBatch('allround').history.guarded).toBeNull();
  });

  it('that jumps is told of and not followed', () => {
    const { points, faults } = settleProbe(probeReadings({ ...play, jumpsAtMin: [30, 31] }, seeded(3)));
    expect(faults.map(({ kind }) => kind)).toEqual(['jump', 'jump']);
    expect(points).toHaveLength(79);
  });

  it('that goes silent is told of, and its silence is not counted', () => {
    const stopped = probeReadings({ ...play, stopsAtMin: 50 }, seeded(3));
    const again = [...stopped, { at: play.startAt + 90 * MINUTE_MS, coreC: 62, bathC: 64 }];
    expect(settleProbe(again).faults.map(({ kind }) => kind)).toEqual(['silent']);
    expect(fold(withSent(record, { float: [], probe: again })).history.guarded).toBeNull();
  });

  it('gives way to what the maker typed in the same minute', () => {
    const typed = {
      kind: 'core',
      payload: { coreC: 55 },
      id: 'typed',
      seq: 4,
      happenedAt: good[40]!.at + 5000,
      enteredAt: good[40]!.at + 5000,
    } as const;
    const { cores } = fold(withSent([...record, typed], { float: [], probe: good })).history;
    expect(cores).toHaveLength(81);
    expect(cores.filter(({ coreC }) => coreC === 55)).toHaveLength(1);
  });
});
