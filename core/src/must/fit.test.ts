import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { USUAL_VESSELS } from '../vessel/index.ts';
import { fitOf, headspaceWantedPct, planOf, plannedFrom, plannedHoney, scalePlan, stepFeedingOf, withStartShare } from './index.ts';
import { totalG } from './plan.ts';
import { measureMust } from './measure.ts';
import { solveMust } from './solve.ts';
import { FEED_AT_SG } from './stepFeeding.ts';
import { STRONG_START_SG } from './stepFeeding.ts';
import { centralCourse } from './predict.ts';
import { SAFE_START_SG } from './stepFeeding.ts';
import { TOO_STRONG_START_SG } from './stepFeeding.ts';

const big = solveMust(planOf([plannedHoney('linden', 1000), plannedFrom('gooseberry', 2500)], 5, { wanted: { og: 1.09, rackedL: 7.5 } }));
const fillOf = (plan: typeof big): number => measureMust(plan, centralCourse(plan)).fillL;

describe('a must that does not fit its vessel', () => {
  const wanted = headspaceWantedPct(big, false);
  const fit = fitOf(big, fillOf(big), wanted, USUAL_VESSELS);

  it('fits when made smaller as said', () => {
    expect(fillOf(scalePlan(big, fit.smaller.scale))).toBeCloseTo(big.vessel.capacityL * (1 - wanted / 100), 6);
  });

  it('fits the smallest vessel with room, and no smaller one', () => {
    const room = (capacityL: number): number => capacityL * (1 - wanted / 100);
    expect(room(fit.vessel!.capacityL)).toBeGreaterThanOrEqual(fillOf(big));
    for (const vessel of USUAL_VESSELS)
      if (vessel.capacityL < fit.vessel!.capacityL) expect(room(vessel.capacityL)).toBeLessThan(fillOf(big));
  });

  it('fits with water held back, and says how much stronger it then starts', () => {
    const { waterL, og } = fit.heldBack!;
    const less = { ...big, waterL: big.waterL - waterL };
    expect(fillOf(less)).toBeCloseTo(big.vessel.capacityL * (1 - wanted / 100), 2);
    expect(og).toBeCloseTo(measureMust(less, centralCourse(less)).og, 9);
    expect(og).toBeGreaterThan(1.09);
  });

  it('offers no water to hold back where the must could not start so', () => {
    for (const og of [1.1, 1.11, 1.12, 1.125, 1.13]) {
      const plan = solveMust(planOf([plannedHoney('linden', 1000)], 5, { wanted: { og, volumeL: 5.6 } }));
      const back = fitOf(plan, fillOf(plan), headspaceWantedPct(plan, false), USUAL_VESSELS).heldBack;
      if (back !== null) expect(back.og).toBeLessThanOrEqual(TOO_STRONG_START_SG);
    }
    const strongest = solveMust(planOf([plannedHoney('linden', 1000)], 5, { wanted: { og: 1.13, volumeL: 5.6 } }));
    expect(fitOf(strongest, fillOf(strongest), headspaceWantedPct(strongest, false), USUAL_VESSELS).heldBack).toBeNull();
  });
});

describe('a must too strong to start', () => {
  const strong = (og: number) => solveMust(planOf([plannedHoney('linden', 1000)], 3, { yeastId: 'sparkling', wanted: { og, volumeL: 5 } }));

  it('is left alone where it may start', () => {
    expect(stepFeedingOf(strong(1.118))).toBeNull();
  });

  it('is left alone where a crumb of honey would be kept back', () => {
    expect(stepFeedingOf(strong(STRONG_START_SG - 0.0005))).toBeNull();
    expect(stepFeedingOf(strong(STRONG_START_SG + 0.0005))).not.toBeNull();
  });

  it('gives no step of its own to what is left over', () => {
    for (let og = 1.121; og < 1.19; og += 0.0011) {
      const steps = stepFeedingOf(strong(og))!.steps;
      for (const { massG } of steps) expect(massG, og.toFixed(4)).toBeGreaterThan(10);
      for (const { toSg } of steps) expect(toSg).toBeGreaterThan(FEED_AT_SG + 0.0005);
    }
  });

  it('starts safely and gets all its honey in steps that never lift it far', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.122, max: 1.19, noNaN: true }), (og) => {
        const plan = strong(og);
        const feeding = stepFeedingOf(plan)!;
        const fedG = feeding.steps.reduce((sum, { massG }) => sum + massG, 0);
        expect(feeding.startSg).toBe(SAFE_START_SG);
        expect(fedG + totalG(plan.ingredients) * feeding.startShare).toBeCloseTo(totalG(plan.ingredients), -1);
        expect(feeding.effectiveOg).toBeCloseTo(og, 5);
        for (const { toSg, atSg } of feeding.steps) {
          expect(toSg).toBeLessThan(1.0565);
          expect(toSg).toBeGreaterThan(atSg);
        }
        const started = withStartShare(plan, feeding.startShare);
        expect(measureMust(started, centralCourse(started)).og).toBeCloseTo(SAFE_START_SG, 4);
        expect(withStartShare(started, 1).ingredients.map(({ massG }) => massG)[0]).toBeCloseTo(plan.ingredients[0]!.massG, 6);
      }),
      { numRuns: 25, seed: 3 },
    );
  });
});
