import { describe, expect, it } from 'vitest';
import { MEAN_HONEY } from '../ledger/index.ts';
import { USUAL_VESSELS } from '../vessel/index.ts';
import { judgeMust, mustWorking, predictMust, solveMust } from './index.ts';
import type { MustFigure, MustPlan } from './index.ts';

const honey = { name: 'linden', massG: 1, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable };

/** A plan of 5 L at a gravity, in a 10 L bucket, at 19 °C. */
function planAt(og: number, over: Partial<MustPlan> = {}): MustPlan {
  const { honeyG, waterL } = solveMust({ og, volumeL: 5 }, [honey], 'allround');
  return { honeys: [{ ...honey, massG: honeyG }], waterL, yeastId: 'allround', vessel: USUAL_VESSELS[2]!, roomTempC: 19, ...over };
}
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

describe('the working of a planned figure', () => {
  const plan = planAt(1.1);
  it.each(Object.keys(predictMust(plan)) as MustFigure[])('%s names its formula, what was put in, and a source', (figure) => {
    const working = mustWorking(figure, plan);
    expect(working.formula.length).toBeGreaterThan(10);
    expect(working.source).toMatch(/ICUMSA/);
    expect(working.inputs.map(({ name }) => name)).toEqual(expect.arrayContaining(['linden honey', 'water']));
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
