import { describe, expect, it } from 'vitest';
import { plainly } from '../quantities/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { HOUR_MS } from '../quantities/index.ts';
import { curesFor, findingTold, rankCauses, stallEvidence, stallVerdict, stateOf } from './index.ts';

const DAY = 24;
const sg = (gravity: number, tempC = 20): EventContent => ({ kind: 'reading', payload: { sg: gravity, tempC } });
const quiet: EventContent = { kind: 'note', payload: { text: 'No bubbles', mark: 'quiet' } };
const told = (ledger: Ledger, hour: number): string => plainly(stateOf(ledger, MIXED_AT + hour * HOUR_MS).sentence);
const after = (hour: number, ...more: Happening[]): string => told(exampleBatch('allround', ...more), hour);

describe('what is said of a must that goes on', () => {
  it('is no fall where nobody has looked for a week', () => {
    const read: Happening[] = [
      [50, sg(1.09)],
      [96, sg(1.07)],
    ];
    expect(after(96 + 7 * DAY - 1, ...read)).toMatch(/^Falling, 1\.070/);
    expect(after(96 + 7 * DAY + 1, ...read)).toMatch(/^1\.070 at the last reading, 169 h ago; nobody has looked since/);
  });

  it.each([
    ['a fall of five points', 1.065, 120, true],
    ['a fall of four and a half', 1.0656, 120, false],
    ['a mark that is a day and a half old', 1.06, 120 - 36, true],
    ['a mark older than that', 1.06, 120 - 37, false],
  ])('blames the lid beside %s: %s, %s, %s', (_what, gravity, markedH, leaks) => {
    const said = after(121, [72, sg(1.09)], [96, sg(1.07)], [markedH, quiet], [120, sg(gravity)]);
    expect(said.includes('leak at the lid')).toBe(leaks);
  });

  it('names a first gravity that was wrong, once a later one fits what was poured', () => {
    const ledger = fold(
      eventsAt(MIXED_AT, [
        [
          0,
          {
            kind: 'honey',
            payload: { name: 'linden', massG: 2050, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
          },
        ],
        [0, { kind: 'water', payload: { volumeL: 4.6 } }],
        [0.5, sg(1.018)],
        [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 5 } }],
        [60, sg(1.08)],
      ]),
    );
    expect(told(ledger, 61)).toMatch(/The first gravity, 1\.018, was wrong, perhaps with honey on the bottom/);
    expect(after(61, [60, sg(1.08)])).not.toContain('wrong');
  });
});

describe('a mead at its end that is topped up', () => {
  const dry: Happening[] = [
    [400, sg(0.992)],
    [600, sg(0.992)],
  ];
  const honeyed = (massG: number): Happening => [
    610,
    { kind: 'honey', payload: { name: 'linden', massG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
  ];

  it('is near its end still, and what proved it before counts no more', () => {
    expect(after(620, ...dry, honeyed(5))).toMatch(/where it should stop. Equal readings prove/);
    expect(stateOf(exampleBatch('allround', ...dry, honeyed(5)), MIXED_AT + 620 * HOUR_MS).phase).toBe('near its end');
  });

  it('is at no end where what went in lifts it above that', () => {
    expect(stateOf(exampleBatch('strong', ...dry, honeyed(400)), MIXED_AT + 620 * HOUR_MS).phase).not.toBe('near its end');
  });
});

describe('what is advised', () => {
  const curesOf = (...more: Happening[]): string => {
    const ledger = exampleBatch('allround', ...more);
    const evidence = stallEvidence(ledger, ledger.history.lastEventAt!, 1)!;
    return curesFor(stallVerdict(evidence), evidence, rankCauses(evidence))
      .map(({ sentence }) => plainly(sentence))
      .join(' ');
  };

  it('is no ammonium where the pH lies under what the yeast bears', () => {
    const stood: Happening[] = [100, 124, 148, 172, 196].map((hour): Happening => [hour, sg(1.088)]);
    const ph = (value: number): Happening => [190, { kind: 'reading', payload: { ph: value } }];
    expect(curesOf(...stood, ph(3.4))).toContain('it may be');
    const sour = curesOf(...stood, ph(2.9));
    expect(sour).toContain('No ammonium: it would make it sourer yet');
    expect(sour).not.toContain('it may be');
  });
});

describe('a sample that is warmer than its must', () => {
  const tempsOf = (...more: Happening[]): number[] => exampleBatch('allround', ...more).history.temps.map(({ tempC }) => tempC);

  it('is no heat wave: eight degrees within two days are the sample’s own, less or later are the must’s', () => {
    const cool: Happening = [24, sg(1.1, 19)];
    expect(tempsOf(cool, [48, sg(1.09, 27.5)])).toEqual([19]);
    expect(tempsOf(cool, [48, sg(1.09, 26.5)])).toEqual([19, 26.5]);
    expect(tempsOf(cool, [24 + 49, sg(1.09, 27.5)])).toEqual([19, 27.5]);
    expect(tempsOf(cool, [48, { kind: 'reading', payload: { tempC: 38 } }]), 'read by itself').toEqual([19, 38]);
    expect(tempsOf(cool, [48, { kind: 'reading', payload: { sg: 1.09, tempC: 30, instrument: 'float' } }]), 'by a float').toEqual([19, 30]);
  });
});

it.each([
  [6, 'strongly for it'],
  [3, 'strongly for it'],
  [2.9, 'for it'],
  [1, 'for it'],
  [0.9, 'a little for it'],
  [0, 'open'],
  [-0.5, 'a little against it'],
  [-1, 'against it'],
  [-3, 'strongly against it'],
])('a finding of %d points is told as “%s”', (weight, told) => {
  expect(findingTold({ weight, sentence: [] })).toBe(told);
});
