import { describe, expect, it } from 'vitest';
import { fold } from '../record/index.ts';
import { eventsAt } from '../record/build.ts';
import { brewDay, eventOfStep, fillOfPlan, ledgerAsPlanned, planOf, plannedFrom, plannedHoney, predictMust, scalePlan } from './index.ts';
import { plainly } from '../quantities/index.ts';
import { measureMust } from './measure.ts';
import { centralCourse } from './predict.ts';
import type { BrewSchools } from './brewDay.ts';
import { othersPoured, viewOf } from '../record/index.ts';

const plan = planOf(
  [
    plannedHoney('linden', 1200),
    plannedFrom('gooseberry', 1500, { form: 'frozen', bagDays: 7 }),
    plannedFrom('raspberry', 400, { form: 'purée' }),
    { ...plannedHoney('heather', 300), stage: 'during' },
    { ...plannedHoney('borage', 200), stage: 'after' },
  ],
  3,
);
const schools: BrewSchools = { fruit: 'none', pecticEnzyme: false, mustSulfite: false, pitch: 'sprinkle' };
const steps = (over: Partial<BrewSchools> = {}) => brewDay(plan, predictMust(plan), { ...schools, ...over });
const ids = (over: Partial<BrewSchools> = {}): string[] => steps(over).map(({ id }) => id);

describe('the brew day', () => {
  it('pours exactly what the plan holds, each thing once, water first', () => {
    const pours = steps().flatMap(({ deed, part }) =>
      part === 'mix' && deed.kind === 'ingredient' ? [[deed.ingredientId, deed.massG]] : [],
    );
    expect(pours).toEqual(plan.ingredients.filter(({ stage }) => stage === 'before').map(({ id, massG }) => [id, massG]));
    expect(steps().find(({ part }) => part === 'mix')!.deed).toEqual({ kind: 'water', volumeL: 3 });
  });

  it('holds water back for its day: less of it on the brew day, a stronger must measured and filled for, the rest a step of its own', () => {
    const held = { ...plan, heldBack: { waterL: 0.5, days: 5 } };
    const days = brewDay(held, predictMust(held), schools);
    const waters = days.flatMap(({ id, part, deed }) => (deed.kind === 'water' ? [[id, part, deed.volumeL]] : []));
    expect(waters).toEqual([
      ['water', 'mix', 2.5],
      ['held back water', 'later', 0.5],
    ]);
    expect(plainly(days.find(({ id }) => id === 'held back water')!.sentence)).toMatch(/0\.50 L on day 5/);
    const begins = predictMust({ ...plan, waterL: 2.5 }).og.value;
    expect(plainly(days.find(({ id }) => id === 'measure')!.sentence)).toContain(`Gravity near ${begins.toFixed(3)}`);
    expect(begins).toBeGreaterThan(predictMust(plan).og.value + 0.005);
    expect(predictMust(held).og.value, 'the whole mead is the same').toBeCloseTo(predictMust(plan).og.value, 9);
    const fillL = predictMust(plan).fillL.value;
    expect(fillOfPlan(held, fillL).fillL).toBeCloseTo(fillOfPlan(plan, fillL).fillL - 0.5, 9);
    expect(scalePlan(held, 2).heldBack).toEqual({ waterL: 1, days: 5 });
    const ledger = ledgerAsPlanned(held, 0);
    expect(viewOf(ledger)!.volumeL).toBeCloseTo(viewOf(ledgerAsPlanned(plan, 0))!.volumeL - 0.5, 2);
  });

  it('cleans before it pours, stirs before it measures, measures before it pitches', () => {
    const order = ['clean', 'water', 'linden', 'stir', 'measure', 'pitch', 'air'];
    expect(ids().filter((id) => order.includes(id))).toEqual(order);
  });

  it('leaves what comes later for later, bags and all', () => {
    const later = steps()
      .filter(({ part }) => part === 'later')
      .map(({ id }) => id);
    expect(later).toEqual(['later heather', 'bag gooseberry', 'after borage']);
  });

  it('follows the maker’s schools', () => {
    expect(ids()).not.toContain('sulfite');
    expect(ids({ mustSulfite: true })).toContain('sulfite');
    const sulfite = steps({ fruit: 'sulfite' }).find(({ id }) => id === 'sulfite')!;
    // 50 mg/L over the must's volume, of a salt that is 57.6 % SO2; then a day's wait.
    expect(sulfite.deed).toEqual({
      kind: 'sulfite',
      massG: expect.closeTo((0.05 * predictMust(plan).volumeL.value) / 0.5763, 4) as number,
    });
    expect(sulfite.waitH).toBe(24);
    expect(ids({ fruit: 'pasteurize' })).toContain('raspberry heat');
    expect(ids({ fruit: 'pasteurize' })).toContain('gooseberry heat');
    const told = (over: Partial<BrewSchools>): string => JSON.stringify(steps(over).find(({ id }) => id === 'gooseberry')!.sentence);
    expect(told({ fruit: 'sulfite' })).toContain('The sulfite below');
    expect(told({ fruit: 'pasteurize' })).not.toContain('sulfite');
    expect(told({ fruit: 'none' })).not.toContain('sulfite');
    expect(ids({ pecticEnzyme: true })).toContain('enzyme');
    expect(ids({ pitch: 'rehydrate' })).toEqual(expect.arrayContaining(['rehydrate', 'attemper']));
  });

  it('done as planned, leaves on record the must that was planned', () => {
    const poured = steps().flatMap((step) => {
      const amount = step.deed.kind === 'water' ? step.deed.volumeL : step.deed.kind === 'ingredient' ? step.deed.massG : 0;
      const content = step.part === 'mix' ? eventOfStep(step, plan, amount) : null;
      return content === null ? [] : [[0, content] as const];
    });
    const ledger = fold(eventsAt(0, poured));
    expect(ledger.history.predictedOg).toBeCloseTo(measureMust(plan, centralCourse(plan)).og, 9);
    expect(ledger.history.marks.stirred).toBe(0);
    expect(othersPoured(ledger).map(({ bagOutAt }) => bagOutAt)).toEqual([7 * 86_400_000, null]);
  });
});
