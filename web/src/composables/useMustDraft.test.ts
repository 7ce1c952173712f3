import { planOf, plannedFrom, plannedHoney } from '@hollow-bell/core/must';
import { describe, expect, it } from 'vitest';
import { useMustDraft } from './useMustDraft.ts';

const begin = () => useMustDraft(planOf([plannedHoney('linden', 1000), plannedHoney('heather', 500, 0.19)], 3.8));

describe('a must on the bench', () => {
  it('stays as it was where no must meets the holds, and says why', () => {
    const draft = begin();
    const before = draft.plan.value;
    expect(draft.hold('abv', 19)).toBe(false);
    expect(draft.plan.value).toBe(before);
    expect(draft.refusal.value).toMatch(/stops near 14/);
    draft.hold('abv', 12);
    expect(draft.refusal.value).toBe('');
  });

  it('offers what each hold would become where two cannot be met together', () => {
    const draft = begin();
    draft.hold('volumeL', 9);
    draft.add(plannedFrom('juice-grape-white', 5000, { preserved: false }));
    draft.hold('og', 1.05);
    expect(draft.hold('volumeL', 5.2)).toBe(false);
    expect(draft.loosen.value.map(({ hold }) => hold).sort()).toEqual(['og', 'volumeL']);
  });

  it('goes back a step and forth again', () => {
    const draft = begin();
    const first = draft.figures.value.volumeL.value;
    draft.hold('volumeL', 8);
    draft.undo();
    expect(draft.figures.value.volumeL.value).toBeCloseTo(first, 6);
    draft.redo();
    expect(draft.figures.value.volumeL.value).toBeCloseTo(8, 4);
  });

  it('names the style as things go in', () => {
    const draft = begin();
    draft.hold('og', 1.09);
    expect(draft.style.value.name).toBe('traditional mead');
    draft.add(plannedFrom('gooseberry', 800));
    expect(draft.style.value.name).toBe('melomel');
    draft.remove('gooseberry');
    expect(draft.style.value.name).toBe('traditional mead');
  });
});
