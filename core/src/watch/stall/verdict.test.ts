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
  it.each([
    [
      'one level from the pitch on',
      [
        [26, 0],
        [74, -0.001],
      ],
      'stuck',
    ],
    [
      'the same before its lag is over',
      [
        [26, 0],
        [71, -0.001],
      ],
      'lag',
    ],
    [
      'more sugar than was reckoned, and a fall',
      [
        [26, 0.015],
        [74, -0.001],
      ],
      'moving',
    ],
    [
      'a fall of just less than two readings’ error',
      [
        [26, 0.0015],
        [74, -0.0014],
      ],
      'stuck',
    ],
    [
      'a fall of just more',
      [
        [26, 0.0015],
        [74, -0.0016],
      ],
      'moving',
    ],
  ] as [string, [number, number][], string][])('%s', (_what, readings, kind) => {
    expect(kindOf(...readings)).toBe(kind);
  });
});
