import { checkEvent } from '../check/index.ts';
import { describe, expect, it } from 'vitest';
import { fold } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { eventsAt } from '../record/build.ts';
import { plainly } from '../quantities/sentence.ts';
import { mixedOf } from '../record/index.ts';
import { allowedReadings, plannedFrom, reconcileMust } from './index.ts';

const START = Date.UTC(2026, 3, 4, 10);
const honey = (massG: number, moisture = 0.172): EventContent => ({
  kind: 'honey',
  payload: { name: 'linden', massG, moisture, unfermentable: 0.032 },
});
const water = (volumeL: number): EventContent => ({ kind: 'water', payload: { volumeL } });
const stirred: EventContent = { kind: 'note', payload: { text: 'stirred', mark: 'stirred' } };
const reading = (sg: number, tempC?: number): EventContent => ({ kind: 'reading', payload: { sg, tempC, calibrationC: 20 } });
const gooseberries = (massG: number): EventContent => {
  const { name, makes, composition, sugarSpread } = plannedFrom('gooseberry', massG);
  return { kind: 'ingredient', payload: { name, family: 'fruit', makes, massG, composition, sugarSpread } };
};
const batch = (...contents: EventContent[]): BatchEvent[] =>
  eventsAt(
    START,
    contents.map((content, i) => [i / 60, content] as const),
  );
const readsAs = (...contents: EventContent[]): number => mixedOf(fold(batch(...contents)))!.sg;
const ids = (events: BatchEvent[]): string[] => reconcileMust(events)!.explanations.map(({ id }) => id);

/** The record once the maker has settled on an explanation. */
function settled(events: BatchEvent[], id: string): BatchEvent[] {
  const chosen = reconcileMust(events)!.explanations.find((explanation) => explanation.id === id)!;
  const now = START + 86_400_000;
  return chosen.settles.reduce<BatchEvent[]>((all, content, i) => {
    const event = { ...content, id: `00000000-0000-4000-9000-00000000000${i}`, seq: all.length + 1, happenedAt: now, enteredAt: now };
    checkEvent(all, event, now);
    return [...all, event];
  }, events);
}

describe('the first reading against what was poured', () => {
  it('is no riddle where the pours allow it', () => {
    const { isInside } = reconcileMust(batch(honey(1500), water(4), reading(readsAs(honey(1500), water(4)) + 0.002, 20)))!;
    expect(isInside).toBe(true);
  });

  it('is null before there is a gravity, and looks only at readings before the pitch', () => {
    expect(reconcileMust(batch(honey(1500), water(4)))).toBeNull();
    const yeast: EventContent = { kind: 'yeast', payload: { yeastId: 'ale', name: 'ale', massG: 3 } };
    expect(reconcileMust(batch(honey(1500), water(4), yeast, reading(1.05, 20)))).toBeNull();
  });

  it('names 0.4 L too much water first where the must was stirred and the sample cool', () => {
    const poured = [honey(1700), gooseberries(1500), water(3.4), stirred];
    const really = readsAs(honey(1700), gooseberries(1500), water(3.8));
    const events = batch(...poured, reading(really, 20));
    const { isInside, explanations } = reconcileMust(events)!;
    expect(isInside).toBe(false);
    expect(explanations[0]!.id).toBe('water');
    expect(explanations[0]!.sentence.find((part) => typeof part !== 'string')).toMatchObject({ value: expect.closeTo(0.4, 3) as number });
  });

  it('thinks of stirring first where nobody stirred, and of a warm sample where no temperature was written down', () => {
    const really = readsAs(honey(1500), water(4.5));
    expect(ids(batch(honey(1500), water(4), reading(really, 20)))[0]).toBe('unmixed');
    expect(ids(batch(honey(1500), water(4), stirred, reading(really, 20)))).not.toContain('warm');
    expect(ids(batch(honey(1500), water(4), stirred, reading(readsAs(honey(1500), water(4)) - 0.005)))).toContain('warm');
  });

  it('thinks of a jar where just a jar is missing', () => {
    const events = batch(honey(2000), water(4), stirred, reading(readsAs(honey(1500), water(4)), 20));
    expect(ids(events)[0]).toBe('jar');
  });

  it.each(['water', 'moisture', 'jar', 'ingredient'])(
    'settled on as %s, the ledger reads as the hydrometer does and mass is kept',
    (id) => {
      const events = batch(
        honey(1700),
        gooseberries(1500),
        water(3.4),
        stirred,
        reading(readsAs(honey(1700), gooseberries(1500), water(3.5)), 20),
      );
      const after = settled(events, id);
      const ledger = fold(after);
      expect(ledger.history.readings[0]!.expectedSg).toBeCloseTo(ledger.history.readings[0]!.sg, 4);
      expect(reconcileMust(after)!.isInside).toBe(true);
    },
  );

  it('holds a reading against what was poured before it, not after', () => {
    const before = readsAs(honey(1500), water(4));
    expect(reconcileMust(batch(honey(1500), water(4), reading(before, 20), water(1)))!.isInside).toBe(true);
  });

  it('takes a reading of an unmixed must back, and asks for another', () => {
    const after = settled(batch(honey(1500), water(4), reading(1.06, 20)), 'unmixed');
    expect(reconcileMust(after)).toBeNull();
    expect(fold(after).history.marks.stirred).toBeDefined();
  });
});

describe('an illegible figure', () => {
  it('is read as what the recipe allows', () => {
    const predicted = { value: 1.082, low: 1.078, high: 1.086 };
    const [best, worse] = allowedReadings(predicted, [1.06, 1.08]);
    expect(best).toMatchObject({ sg: 1.08, isAllowed: true });
    expect(worse).toMatchObject({ sg: 1.06, isAllowed: false });
  });
});

describe('what cannot be', () => {
  const poured = [honey(1500), water(4), stirred];
  const thin = batch(...poured, reading(readsAs(honey(1500), water(4.5)), 20));
  const thenL = mixedOf(fold(batch(honey(1500), water(4.5))))!.volumeL;

  it('explains nothing: more water than goes into the vessel', () => {
    const offered = (capacityL: number): string[] => reconcileMust(thin, capacityL)!.explanations.map(({ id }) => id);
    expect(offered(thenL - 0.01)).not.toContain('water');
    expect(offered(thenL + 0.01)).toContain('water');
  });

  it('is not said of bubbles: they lift a hydrometer, and nothing pulls it down', () => {
    const told = (sg: number): string =>
      plainly(reconcileMust(batch(...poured, reading(sg, 20)))!.explanations.find(({ id }) => id === 'instrument')!.sentence);
    const must = readsAs(honey(1500), water(4));
    expect(told(must - 0.004)).not.toMatch(/bubbles/);
    expect(told(must + 0.004)).toMatch(/bubbles/);
  });

  it('looks at a first reading in °Bx like at any other', () => {
    const brix: EventContent = { kind: 'reading', payload: { brix: 18 } };
    const found = reconcileMust(batch(...poured, brix))!;
    expect(found.isInside).toBe(false);
    expect(found.measuredSg).toBeCloseTo(1.074, 2);
    expect(found.explanations.length).toBeGreaterThan(1);
  });
});
