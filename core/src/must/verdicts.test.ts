import { plainly } from '../quantities/index.ts';
import { describe, expect, it } from 'vitest';
import { USUAL_VESSELS } from '../vessel/index.ts';
import { costWorking, judgeMust, mustWorking, planOf, plannedFrom, plannedHoney, predictMust } from './index.ts';
import { solveMust } from './solve.ts';
import type { MustPlan, PlannedIngredient } from './index.ts';
import type { MustFigure } from './measure.ts';

/** A plan of 5 L at a gravity, in a 10 L bucket, at 19 °C. */
const planAt = (og: number, over: Partial<MustPlan> = {}, more: PlannedIngredient[] = []): MustPlan => ({
  ...solveMust(planOf([plannedHoney('linden', 1), ...more], 3, { wanted: { og, volumeL: 5 } })),
  ...over,
});
const found = (plan: MustPlan, id: string) => judgeMust(plan).find((verdict) => verdict.id === id);

describe('what a fellow maker would say', () => {
  it('says stop before care before note', () => {
    const weights = judgeMust(planAt(1.14, { roomTempC: 10 })).map((verdict) => verdict.weight);
    expect(weights).toEqual([...weights].sort((a, b) => ['stop', 'care', 'note'].indexOf(a) - ['stop', 'care', 'note'].indexOf(b)));
    expect(weights[0]).toBe('stop');
  });

  it('warns of a hard start from 1.120 and stops one from 1.135', () => {
    expect(found(planAt(1.115), 'start')).toBeUndefined();
    expect(found(planAt(1.125), 'start')?.weight).toBe('care');
    expect(found(planAt(1.14), 'start')?.weight).toBe('stop');
  });

  it('counts the room against the yeast on both sides', () => {
    expect(found(planAt(1.09, { roomTempC: 15 }), 'temperature')).toBeUndefined();
    expect(found(planAt(1.09, { roomTempC: 14 }), 'temperature')?.weight).toBe('care');
    expect(found(planAt(1.09, { roomTempC: 28 }), 'temperature')?.weight).toBe('care');
    expect(found(planAt(1.09, { roomTempC: 28, yeastId: 'sparkling' }), 'temperature')).toBeUndefined();
  });

  it('tells a must that goes dry from one that stays sweet', () => {
    const dry = found(planAt(1.08), 'tolerance')!;
    expect(dry.sentence.some((part) => typeof part === 'string' && part.includes('go dry'))).toBe(true);
    const sweet = found(planAt(1.13), 'tolerance')!;
    expect(sweet.weight).toBe('care');
    expect(sweet.sentence.find((part) => typeof part !== 'string' && part.kind === 'gPerL')).toMatchObject({
      value: expect.any(Number) as number,
    });
  });

  it('says how much will not fit', () => {
    const overflow = found(planAt(1.09, { vessel: USUAL_VESSELS[1]! }), 'overflow')!;
    const liters = overflow.sentence.find((part) => typeof part !== 'string' && part.kind === 'volumeL');
    expect(liters).toMatchObject({ value: expect.closeTo(5 - 3.95, 2) as number });
  });
});

describe('what is said about fruit, juice and labels', () => {
  const said = (more: PlannedIngredient[]) => judgeMust(planAt(1.09, {}, more));
  const weightOf = (more: PlannedIngredient[], id: string) => said(more).find((verdict) => verdict.id === id)?.weight;

  it('asks for the label of a juice until it is read, and stops a preserved one', () => {
    expect(weightOf([plannedFrom('juice-apple', 500)], 'label')).toBe('care');
    expect(weightOf([plannedFrom('juice-apple', 500, { preserved: false })], 'label')).toBeUndefined();
    expect(weightOf([plannedFrom('raisin', 100, { preserved: true })], 'preserved')).toBe('stop');
    expect(weightOf([plannedFrom('gooseberry', 500)], 'label')).toBeUndefined();
  });

  it('warns of acid fruit in a fermenting must, not before the pitch', () => {
    expect(weightOf([plannedFrom('blackcurrant', 700, { stage: 'during' })], 'sudden-acid')).toBe('care');
    expect(weightOf([plannedFrom('blackcurrant', 700)], 'sudden-acid')).toBeUndefined();
    expect(weightOf([plannedFrom('pear', 700, { stage: 'during' })], 'sudden-acid')).toBeUndefined();
    expect(weightOf([plannedFrom('blackcurrant', 2000)], 'sharp')).toBe('care');
  });

  it('minds pits, green elder and raisins', () => {
    const ids = said([plannedFrom('cherry-sour', 300), plannedFrom('elderberry', 200), plannedFrom('raisin', 50)]).map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(['pits', 'elder', 'raisins']));
    expect(said([plannedFrom('elderflower', 100)]).map(({ id }) => id)).not.toContain('elder');
  });

  it('minds what a thing is, not what it is called', () => {
    const grove = { ...plannedHoney('linden', 1400), name: 'Orange grove' };
    const own = { ...plannedFrom('gooseberry', 500), name: 'plums from the cherry orchard' };
    expect(said([grove, own]).filter(({ id }) => ['citrus', 'pits', 'elder', 'raisins'].includes(id))).toEqual([]);
    const stony = { ...own, traits: ['pits' as const] };
    expect(said([grove, stony]).map(({ id }) => id)).toContain('pits');
  });

  it('wants more room over fruit than over a traditional', () => {
    const tight = { vessel: { kind: 'bucket' as const, name: 'tight bucket', capacityL: 6.9 } };
    expect(found(planAt(1.09, tight), 'headspace')?.weight).toBe('note');
    expect(judgeMust(planAt(1.09, tight, [plannedFrom('gooseberry', 600)])).find(({ id }) => id === 'headspace')?.weight).toBe('care');
  });
});

describe('the working of a planned figure', () => {
  const plan = planAt(1.1);
  it.each(Object.keys(predictMust(plan)) as MustFigure[])('%s names its formula, what was put in, and a source', (figure) => {
    const working = mustWorking(figure, plan);
    expect(working.formula.length).toBeGreaterThan(10);
    expect(working.source).toMatch(/ICUMSA/);
    expect(working.inputs.map(({ name }) => name)).toEqual(expect.arrayContaining(['linden', 'water']));
  });

  it('shows what each thing costs and what has no price', () => {
    const priced = planAt(1.1, { otherCost: 2 }, [plannedFrom('gooseberry', 500, { pricePerKg: 4 })]);
    expect(costWorking(priced).inputs.map(({ name, shown }) => ({ name, shown: plainly(shown) }))).toEqual([
      { name: 'gooseberries', shown: '500.0 g at 4.00 a kilogram = 2.00' },
      { name: 'linden', shown: 'no price yet' },
      { name: 'yeast, nutrient and the rest', shown: '2.00' },
    ]);
  });

  it('puts the yeast in only where it matters', () => {
    const names = (figure: MustFigure) =>
      mustWorking(figure, plan)
        .inputs.map(({ name }) => name)
        .join();
    expect(names('og')).not.toContain('tolerates');
    expect(names('fg')).toContain('tolerates');
  });
});
