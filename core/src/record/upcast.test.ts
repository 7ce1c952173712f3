import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { finishOf } from '../glass/index.ts';
import { provenReadings } from './index.ts';
import { LEDGER_VERSION, fold, massImbalanceG, upcast, upcastLedger, viewOf } from './index.ts';
import type { BatchEvent, Ledger } from './index.ts';
import stored from './stored.json' with { type: 'json' };

interface Sample {
  events: BatchEvent[];
  view: Record<string, number>;
  ledger: { version?: number };
  child: BatchEvent[] | null;
  childView: Record<string, number> | null;
}

/** What each earlier program stored, and the figures that it showed of it. */
const samples = Object.entries(stored as unknown as Record<string, Sample>);
const withParcels = samples.filter(([, { child }]) => child !== null);

/** The first program knew no glycerol; its figures of strength were other ones. */
const FIGURES = (name: string): string[] =>
  name.startsWith('1 ') ? ['volumeL', 'sg'] : ['volumeL', 'sg', 'abv', 'sugarGPerL', 'shareGone', 'nitrogenMgPerL'];

/** Decimals that stay: since then warm samples are corrected for what sugar and alcohol expand, not for water alone. */
const STAY: Record<string, number> = { volumeL: 3, sg: 3, abv: 1, sugarGPerL: 0, shareGone: 2, nitrogenMgPerL: 1 };

function expectFigures(ledger: Ledger, shown: Record<string, number>, figures: readonly string[]): void {
  const view = viewOf(ledger) as unknown as Record<string, number>;
  for (const figure of figures) expect(view[figure], figure).toBeCloseTo(shown[figure]!, STAY[figure]);
}

describe('a record that an earlier program stored', () => {
  it.each(samples)('%s gives the figures that it gave', (name, { events, view }) => {
    expectFigures(fold(events.map(upcast)), view, FIGURES(name));
  });

  it.each(withParcels)('%s: a child of its parcel too, with the readings that prove it', (name, { child, childView }) => {
    const ledger = fold(child!.map(upcast));
    expectFigures(ledger, childView!, FIGURES(name));
    expect(provenReadings(ledger)).toHaveLength(6);
    expect(finishOf(ledger).state).toBe('finished');
    expect(massImbalanceG(ledger.liquid)).toBeLessThan(1e-6);
    expect(ledger.history.doses.map(({ name, ammoniumNMg }) => [name, Math.round(ammoniumNMg)])).toEqual([
      ['diammonium phosphate', 424],
      ['organic nutrient', 0],
    ]);
    expect(ledger.history.temps.length).toBeGreaterThanOrEqual(5);
    expect(ledger.history.pours.find(({ family }) => family === 'honey')).toMatchObject({ massG: 1490, afterPitch: false });
  });

  it.each(samples)('%s: its stored ledger is read whole', (_, { ledger }) => {
    const read = upcastLedger(ledger);
    expect(read.version).toBe(LEDGER_VERSION);
    expect(read.history.readings.every(({ instrument }) => typeof instrument === 'string')).toBe(true);
    expect(JSON.stringify(read)).not.toMatch(/undefined|NaN/);
  });

  it('is left as it is where it is of today, and refused where it is of tomorrow', () => {
    const today = fold([]);
    expect(upcastLedger(today)).toBe(today);
    expect(() => upcastLedger({ version: LEDGER_VERSION + 1 })).toThrow(Refusal);
    const note = { kind: 'note', payload: { text: 'rain' } } as const;
    expect(upcast(note)).toEqual({ ...note, version: 1 });
    expect(() => upcast({ ...note, version: 2 })).toThrow(/newer Hollow Bell/);
  });
});
