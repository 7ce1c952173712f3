import { MEAN_HONEY } from '@hollow-bell/core/ledger';
import { solveMust } from '@hollow-bell/core/must';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { describe, expect, it } from 'vitest';
import { newHoney, useMustDraft } from './useMustDraft.ts';

const honeys = [
  { ...newHoney('linden'), massG: 1000 },
  { ...newHoney('heather'), massG: 500, moisture: 0.19 },
];
const begin = () => {
  const { honeyG, waterL } = solveMust({ og: 1.09, volumeL: 5 }, honeys, 'allround');
  return useMustDraft({
    honeys: honeys.map((honey) => ({ ...honey, massG: (honey.massG * honeyG) / 1500 })),
    waterL,
    yeastId: 'allround',
    vessel: USUAL_VESSELS[2]!,
    roomTempC: 19,
  });
};

describe('a must being planned', () => {
  it('moves what is free and keeps what is held', () => {
    const draft = begin();
    expect(draft.hold('volumeL', 8)).toBe(true);
    expect(draft.figures.value.og.value).toBeCloseTo(1.09, 6);
    expect(draft.figures.value.volumeL.value).toBeCloseTo(8, 5);
  });

  it('lets go of the hold of the same kind first, else of the older one', () => {
    const draft = begin();
    draft.hold('abv', 10);
    expect([...draft.held.value].sort()).toEqual(['abv', 'volumeL']);
    draft.hold('honeyG', 1400);
    expect([...draft.held.value].sort()).toEqual(['abv', 'honeyG']);
    expect(draft.figures.value.abv.value).toBeCloseTo(10, 4);
    expect(draft.values.value.honeyG).toBe(1400);
  });

  it('keeps the ratio of the honeys when it scales them', () => {
    const draft = begin();
    draft.hold('og', 1.12);
    const [linden, heather] = draft.plan.value.honeys;
    expect(linden!.massG / heather!.massG).toBeCloseTo(2, 9);
  });

  it('stays as it was where no must meets the holds, and says why', () => {
    const draft = begin();
    const before = draft.plan.value;
    expect(draft.hold('abv', 19)).toBe(false);
    expect(draft.plan.value).toBe(before);
    expect(draft.refusal.value).toMatch(/stops near 14/);
    draft.hold('abv', 12);
    expect(draft.refusal.value).toBe('');
  });

  it('takes the weight of one honey as it is given', () => {
    const draft = begin();
    const heather = draft.plan.value.honeys[1]!.massG;
    draft.weigh(0, 1200);
    expect(draft.plan.value.honeys.map((honey) => honey.massG)).toEqual([expect.closeTo(1200, 6), expect.closeTo(heather, 6)]);
    expect(MEAN_HONEY.moisture).toBe(draft.plan.value.honeys[0]!.moisture);
  });
});
