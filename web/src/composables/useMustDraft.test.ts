import { planOf, plannedFrom, plannedHoney } from '@hollow-bell/core/must';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { useMustDraft } from './useMustDraft.ts';

const begin = () => useMustDraft(planOf([plannedHoney('linden', 1000), plannedHoney('heather', 500, 0.19)], 3.8));

beforeEach(() => {
  setActivePinia(createPinia());
});

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

  it('lets go of a hold at a press, and what was wanted is done', () => {
    const draft = begin();
    draft.hold('volumeL', 9);
    draft.hold('og', 1.05);
    const juice = plannedFrom('juice-grape-white', 15_900, { preserved: false, lock: 'mass' });
    expect(draft.add(juice)).toBe(false);
    const [{ hold: name, reachable } = { hold: 'volumeL' as const, reachable: 0 }] = draft.loosen.value;
    expect(draft.letGo(name, reachable)).toBe(true);
    expect(draft.plan.value.ingredients.find(({ id }) => id === juice.id)?.massG).toBeCloseTo(15_900, 6);
    expect(draft.refusal.value).toBe('');
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

  it('takes the keys of one field for one change: “1” on the way to “19” leaves nothing behind', () => {
    const draft = begin();
    const before = draft.plan.value;
    draft.typing();
    expect(draft.hold('abv', 1)).toBe(true);
    expect(draft.hold('abv', 19)).toBe(false);
    expect(draft.plan.value).toBe(before);
    draft.hold('abv', 1);
    draft.hold('abv', 12);
    draft.typed();
    expect(draft.plan.value.wanted.abv).toBe(12);
    draft.undo();
    expect(draft.plan.value).toBe(before);
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
