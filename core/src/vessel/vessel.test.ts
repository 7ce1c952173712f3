import { describe, expect, it } from 'vitest';
import { Refusal } from '../quantities/index.ts';
import { referenceCases } from '../reference/cases.ts';
import { USUAL_VESSELS, fillAcross, fillOf, levelCm, litersAt, sectionOf, smallestHolding } from './index.ts';

describe('how full a vessel is', () => {
  it.each(referenceCases('vessel').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const i = c.inputs as Record<string, number>;
    expect(
      c.differences(() => {
        const fill = fillOf(i['capacity_l']!, i['must_l']!, i['fruit_kg'], i['fruit_density']);
        return { fill_l: fill.fillL, headspace_pct: fill.headspacePct, headspace_l: fill.headspaceL, overflow_l: fill.overflowL };
      }),
    ).toEqual([]);
  });
});

describe.each(USUAL_VESSELS.map((vessel) => [vessel.name, vessel] as const))('the section of a %s', (_name, vessel) => {
  const section = sectionOf(vessel);

  it('holds exactly its capacity, turned round its axis', () => {
    expect(section.litersBelow.at(-1)).toBeCloseTo(vessel.capacityL, 6);
  });

  it('reads a level back as the volume that made it', () => {
    for (const share of [0.05, 0.3, 0.62, 0.9, 0.99]) {
      expect(litersAt(section, levelCm(section, share * vessel.capacityL))).toBeCloseTo(share * vessel.capacityL, 6);
    }
  });
});

it('no vessel of no size', () => {
  expect(() => sectionOf({ kind: 'jug', name: 'none', capacityL: 0 })).toThrow(Refusal);
});

describe('a vessel for what is split off', () => {
  const vessels = [{ capacityL: 10 }, { capacityL: 2.5 }, { capacityL: 5.3 }];
  it.each([
    [2.37, 2.5],
    [2.5, 2.5],
    [2.51, 5.3],
    [11, 10],
  ])('%d L go into the smallest that holds them: %d L', (volumeL, capacityL) => {
    expect(smallestHolding(vessels, volumeL)?.capacityL).toBe(capacityL);
  });
});

it('two jugs and a companion take honey into the jugs alone', () => {
  const jug = { name: 'jug', kind: 'jug', capacityL: 5 } as const;
  const filled = [
    { vessel: jug, volumeL: 4.6, isCompanion: false },
    { vessel: jug, volumeL: 4.6, isCompanion: false },
    { vessel: { ...jug, capacityL: 1 }, volumeL: 0.8, isCompanion: true },
  ];
  expect(fillAcross(filled, 10.7)).toMatchObject({ fillL: expect.closeTo(9.9, 9), overflowL: 0 });
  expect(fillAcross(filled, 10.9).overflowL).toBeCloseTo(0.1, 9);
});
