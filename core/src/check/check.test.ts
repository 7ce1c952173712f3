import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { eventsAt, fold, viewOf } from '../record/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { checkEvent } from './index.ts';

const START = Date.UTC(2026, 3, 1, 9);
const HOUR = 3_600_000;
const NOW = START + 200 * HOUR;
const rows: [number, EventContent][] = [
  [0, { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } }],
  [0, { kind: 'water', payload: { volumeL: 4 } }],
  [10, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 3 } }],
];
const events: BatchEvent[] = eventsAt(START, rows);
const volumeL = viewOf(fold(events))!.volumeL;
const check =
  (atHour: number, content: EventContent, on = events) =>
  () => {
    checkEvent(on, { ...content, happenedAt: START + atHour * HOUR }, NOW);
  };

describe('whether an event can have happened', () => {
  it.each<[string, number, EventContent]>([
    ['a reading after the pitch', 100, { kind: 'reading', payload: { sg: 1.05 } }],
    ['a pH alone, whenever', 5, { kind: 'reading', payload: { ph: 3.9 } }],
    ['a gravity of the must that the recipe allows', 5, { kind: 'reading', payload: { sg: 1.092 } }],
    ['all of it lost', 100, { kind: 'removal', payload: { volumeL: volumeL, reason: 'spill' } }],
    ['a little more racked than computed', 100, { kind: 'rack', payload: { volumeL: volumeL * 1.05 } }],
    ['a note, even of long ago', 0, { kind: 'note', payload: { text: 'rain' } }],
    ['more honey later', 120, { kind: 'honey', payload: { name: 'borage', massG: 200, moisture: 0.17, unfermentable: 0.03 } }],
  ])('yes: %s', (_name, atHour, content) => {
    expect(check(atHour, content)).not.toThrow();
  });

  it.each<[string, number, EventContent, RegExp]>([
    ['anything in the future', 201, { kind: 'note', payload: { text: 'soon' } }, /lies in the future/],
    ['a gravity before anything was poured', -5, { kind: 'reading', payload: { sg: 1.09 } }, /Nothing was poured yet/],
    [
      'a low gravity before the pitch',
      5,
      { kind: 'reading', payload: { sg: 1.03 } },
      /before the yeast went in, when the must read about 1\.09/,
    ],
    [
      'more lost than there is',
      100,
      { kind: 'removal', payload: { volumeL: volumeL + 1, reason: 'foam' } },
      /cannot be lost: there was only/,
    ],
    ['much more racked than there is', 100, { kind: 'rack', payload: { volumeL: volumeL * 1.5 } }, /cannot be racked/],
    ['more bottles than mead', 100, { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 20 }] } }, /15\.00 L cannot be bottled/],
    ['feeding before the pour', -1, { kind: 'nutrient', payload: { source: 'dap', massG: 1 } }, /vessel is empty/],
    ['pitching before the pour', -1, { kind: 'yeast', payload: { yeastId: 'ale', name: 'ale', massG: 1 } }, /no must to pitch into/],
    [
      'losing from an empty vessel',
      -1,
      { kind: 'removal', payload: { volumeL: 1, reason: 'spill' } },
      /nothing in the vessel at that time/,
    ],
    ['correcting what is not there', 100, { kind: 'amendment', payload: { eventId: 'none', replacement: null } }, /not on record/],
    [
      'a correction into the future',
      100,
      {
        kind: 'amendment',
        payload: { eventId: events[0]!.id, replacement: { kind: 'note', payload: { text: 'x' }, happenedAt: NOW + HOUR } },
      },
      /corrected time lies in the future/,
    ],
  ])('no: %s', (_name, atHour, content, sentence) => {
    expect(check(atHour, content)).toThrow(Refusal);
    expect(check(atHour, content)).toThrow(sentence);
  });

  it('a clock that is five minutes fast is believed', () => {
    expect(check(200 + 4 / 60, { kind: 'note', payload: { text: 'now' } })).not.toThrow();
    expect(check(200 + 6 / 60, { kind: 'note', payload: { text: 'now' } })).toThrow(/future/);
  });
});

describe('liquid between batches', () => {
  it('is never written by hand, not as an entry and not as the correction of one', () => {
    const note = { id: 'n', seq: 1, happenedAt: 1000, enteredAt: 1000, kind: 'note', payload: { text: 'x' } } as const;
    const forged = { kind: 'transferOut', payload: { toBatchId: 'b', toName: 'b', volumeL: 1 } } as const;
    expect(() => checkEvent([note], { ...forged, happenedAt: 1000 }, 2000)).toThrow(/only by a split or a blend/);
    const amended = {
      kind: 'amendment',
      payload: { eventId: 'n', replacement: { ...forged, happenedAt: 1000 } },
      happenedAt: 1000,
    } as const;
    expect(() => checkEvent([note], amended, 2000)).toThrow(/only by a split or a blend/);
  });
});
