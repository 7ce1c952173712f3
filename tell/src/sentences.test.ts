import type { BatchEvent, EventContent } from '@hollow-bell/core/record';
import { shownSentence } from './formats.ts';
import { describe, expect, it } from 'vitest';
import { eventSentence } from '@hollow-bell/core/record';

const now = new Date(2026, 10, 23, 14, 0).getTime();
const told = (content: EventContent): string => {
  const event: BatchEvent = { ...content, id: 'x', seq: 1, happenedAt: now, enteredAt: now };
  return shownSentence(eventSentence(event), { units: 'metric', locale: 'en-GB', now }).replaceAll('\u00a0', ' ');
};

describe('an event as a line of the log', () => {
  it.each<[EventContent, string]>([
    [{ kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: 0.17, unfermentable: 0.03 } }, 'poured 1.50 kg linden honey'],
    [{ kind: 'water', payload: { volumeL: 4 } }, 'poured 4.00 L water'],
    [{ kind: 'yeast', payload: { yeastId: 'ale', name: 'ale type', massG: 3 } }, 'pitched 3.0 g ale type'],
    [{ kind: 'nutrient', payload: { source: 'dap', massG: 0.9 } }, 'fed 0.90 g diammonium phosphate'],
    [{ kind: 'sulfite', payload: { salt: 'sodium', massG: 0.3 } }, '0.30 g sodium metabisulfite'],
    [{ kind: 'sorbate', payload: { massG: 0.7 } }, '0.70 g potassium sorbate'],
    [{ kind: 'removal', payload: { volumeL: 1.5, reason: 'foam' } }, '1.50 L foamed over'],
    [{ kind: 'reading', payload: { sg: 1.048, tempC: 21 } }, '1.048 at 21 °C'],
    [{ kind: 'reading', payload: { sg: 1.048, ph: 3.4 } }, '1.048, pH 3.40'],
    [{ kind: 'reading', payload: { tempC: 17.5 } }, '17.5 °C'],
    [{ kind: 'rack', payload: { volumeL: 4.2 } }, 'racked, 4.20 L left'],
    [
      {
        kind: 'bottling',
        payload: {
          bottles: [
            { sizeMl: 750, count: 5 },
            { sizeMl: 375, count: 2 },
          ],
        },
      },
      'bottled 5 × 750 ml, 2 × 375 ml',
    ],
    [{ kind: 'note', payload: { text: 'rain on the roof' } }, 'rain on the roof'],
    [{ kind: 'amendment', payload: { eventId: 'y', replacement: null } }, 'took an entry back'],
  ])('%j', (content, line) => {
    expect(told(content)).toBe(line);
  });
});
