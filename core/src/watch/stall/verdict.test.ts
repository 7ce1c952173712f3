import { describe, expect, it } from 'vitest';
import { MEAN_HONEY } from '../../ingredients/index.ts';
import { eventsAt, fold } from '../../record/index.ts';
import type { EventContent } from '../../record/index.ts';
import { stallEvidence } from './evidence.ts';
import { stallVerdict } from './verdict.ts';

const { moisture, unfermentable } = MEAN_HONEY;
const MUST: EventContent[] = [
  { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture, unfermentable } },
  { kind: 'water', payload: { volumeL: 4 } },
  { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 3 } },
];
const pouredSg = fold(
  eventsAt(
    0,
    MUST.map((content) => [0, content] as const),
  ),
).history.pitch!.sg;

function kindOf(...readings: [hour: number, aboveSg: number][]): string {
  const read = readings.map(([hour, above]) => [hour, { kind: 'reading', payload: { sg: pouredSg + above } }] as const);
  const events = eventsAt(0, [...MUST.map((content) => [0, content] as const), ...read]);
  return stallVerdict(stallEvidence(fold(events), (readings.at(-1)?.[0] ?? 0) * 3_600_000, 1)!).kind;
}

describe('a must that may not have begun', () => {
  const LEVEL: [number, number][] = [[26, 0]];
  it('stands on one level from the pitch on: lag before its third day is over, stuck after it', () => {
    expect(kindOf(...LEVEL, [71, -0.001])).toBe('lag');
    expect(kindOf(...LEVEL, [74, -0.001])).toBe('stuck');
  });

  it('has begun where it fell from reading to reading, whatever was reckoned of its sugar', () => {
    expect(kindOf([26, 0.015], [74, -0.001])).toBe('moving');
  });
});
