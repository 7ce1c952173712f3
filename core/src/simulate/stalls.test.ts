import { describe, expect, it } from 'vitest';
import { fold, massImbalanceG } from '../record/index.ts';
import type { StallCauseId } from '../record/index.ts';
import { asksOf } from '../rounds/index.ts';
import { curesFor, rankCauses, restartPlan, stallEvidence, stallVerdict } from '../watch/index.ts';
import { stallCases } from './stalls.ts';
import type { CureId } from '../watch/index.ts';
import type { StallCase } from './stalls.ts';
import { stallStudy } from './stallStudy.ts';
import { DAY_MS } from '../quantities/index.ts';

const seeds = [7, 31, 127];
const studies = seeds.map((seed) => stallStudy(stallCases(seed)));

describe('forty musts of which everything is known', () => {
  it('are the same for the same seed, and their records conserve mass', () => {
    const [again, once] = [stallCases(7), stallCases(7)];
    expect(again.map(({ played }) => played.events)).toEqual(once.map(({ played }) => played.events));
    expect(again).toHaveLength(40);
    expect(again.filter(({ isStuck }) => isStuck)).toHaveLength(12);
    for (const { played } of again) expect(Math.abs(massImbalanceG(fold(played.events).liquid))).toBeLessThan(1e-3);
  });

  it.each(studies)('no must that is not stuck is called so, with three seeds', ({ falseCalls }) => expect(falseCalls).toEqual([]));

  it.each(studies)('at least eleven of twelve stalls are found within four days', ({ found }) =>
    expect(found.length).toBeGreaterThanOrEqual(11),
  );

  it.each(studies)('the true cause stands first or second at least ten times', ({ wellRanked }) =>
    expect(wellRanked.length).toBeGreaterThanOrEqual(10),
  );
});

describe('what is done about a stall', () => {
  const byTruth = (truth: StallCase['truth']): StallCase => stallCases().find((each) => each.truth === truth)!;
  const seenAt = (truth: StallCase['truth'], day: number) => {
    const { events } = byTruth(truth).played;
    const until = events[0]!.happenedAt + day * DAY_MS;
    const ledger = fold(events.filter(({ happenedAt }) => happenedAt <= until));
    const evidence = stallEvidence(ledger, until, 1)!;
    return { evidence, verdict: stallVerdict(evidence), ledger };
  };
  const curesOf = (truth: StallCase['truth'], day: number): CureId[] => {
    const { evidence, verdict } = seenAt(truth, day);
    return curesFor(verdict, evidence, rankCauses(evidence)).map(({ id }) => id);
  };

  it('begins with warmth where it is cold, and ends with a restart', () => {
    const cures = curesOf('cold', 14);
    expect(cures.indexOf('warm')).toBeLessThan(cures.indexOf('rouse'));
    expect(cures.at(-1)).toBe('restart');
    expect(cures).not.toContain('raise pH');
  });

  it('asks first whether a refractometer was read, where a dry mead would show just that on one', () => {
    const { evidence, verdict } = seenAt('cold', 14);
    const { dryByRefractometerSg: dry } = evidence;
    // A must of some 1.105 ends near 8 °Bx on an uncorrected refractometer: 1.032.
    expect(Math.abs(dry - 1.032)).toBeLessThan(0.003);
    const firstAt = (sg: number, instrument = evidence.last!.instrument) => {
      const standing = { ...evidence, last: { ...evidence.last!, sg, instrument } };
      return JSON.stringify(curesFor(verdict, standing, rankCauses(standing))[0]!.sentence);
    };
    expect(firstAt(dry + 0.002)).toContain('refractometer');
    expect(firstAt(dry + 0.006)).not.toContain('refractometer');
    expect(firstAt(dry, 'density meter')).not.toContain('refractometer');
  });

  it('raises the pH where that is low, and feeds where nitrogen was short', () => {
    expect(curesOf('sour', 14)).toContain('raise pH');
    expect(curesOf('nitrogen', 32)).toContain('feed');
    expect(curesOf('heat', 14)).not.toContain('warm');
  });

  it('has the pH measured where acid went in and nobody looked at it', () => {
    const { evidence, verdict } = seenAt('addition', 12);
    const { sentence } = curesFor(verdict, evidence, rankCauses(evidence)).find(({ id }) => id === 'raise pH')!;
    expect(evidence.ph).toBeNull();
    expect(sentence[0]).toMatch(/^Measure the pH/);
  });

  it('believes no pH from before a salt that raises it', () => {
    const { ledger } = seenAt('sour', 14);
    const { at, value } = ledger.history.ph!;
    const phAfter = (baseAt: number): number | null =>
      stallEvidence(
        { ...ledger, history: { ...ledger.history, bases: [{ at: baseAt, salt: 'carbonate', massG: 2 }] } },
        ledger.history.lastEventAt!,
        1,
      )!.ph;
    expect([phAfter(at - 1), phAfter(at + 1)]).toEqual([value, null]);
  });

  it('gives up, and says how it is kept, where a preservative is the likeliest cause', () => {
    expect(curesOf('preservative', 8)).toContain('give up');
  });

  it('leaves alone what has ended at its tolerance, and what only lags', () => {
    expect(curesOf('tolerance', 35)).toEqual(['leave']);
    expect(curesOf('lag', 2)).toEqual(['leave']);
    const daysToRead = (truth: StallCase['truth'], day: number): number => {
      const { evidence, verdict } = seenAt(truth, day);
      return curesFor(verdict, evidence, rankCauses(evidence))[0]!.readAgainH / 24;
    };
    expect([daysToRead('lag', 2), daysToRead('tolerance', 35)]).toEqual([1, 7]);
  });

  it('lets a braggot rest for a week before it asks for a reading', () => {
    const { ledger, evidence } = seenAt('malt', 24);
    const standing = { ...evidence, last: { ...evidence.last!, sg: evidence.endHighSg + 0.006 }, stillDays: 4 };
    expect(stallVerdict(standing).kind).toBe('malt');
    const up = ledger.history.readings.map((reading) => ({ ...reading, sg: evidence.endHighSg + 0.006, shareGone: 0.9 }));
    const lastAt = up.at(-1)!.at;
    const bells = [1, 8].map(
      (days) => asksOf({ ...ledger, history: { ...ledger.history, readings: up } }, null, lastAt + days * DAY_MS)[0],
    );
    expect(bells).toMatchObject([
      { bell: 'muffled', dueAt: lastAt + 7 * DAY_MS },
      { bell: 'swinging', dueAt: lastAt + 7 * DAY_MS },
    ]);
  });

  it('feeds by the school that counts: threefold nitrogen wants fewer grams', () => {
    const gramsAt = (organicCredit: number): number => {
      const { ledger, evidence } = seenAt('nitrogen', 32);
      const counted = stallEvidence(ledger, evidence.last!.at, organicCredit)!;
      const early = { ...counted, shareGone: 0.2, nitrogenShare: 0.3 };
      const cure = curesFor(stallVerdict(evidence), early, rankCauses(early)).find(({ id }) => id === 'feed')!;
      return cure.sentence.flatMap((part) => (typeof part === 'string' ? [] : [part.value]))[0]!;
    };
    // Half of (0.9 − 0.3) of the need, at 40 mg of amino nitrogen in a gram.
    const { evidence } = seenAt('nitrogen', 32);
    expect(gramsAt(1)).toBeCloseTo((0.3 * evidence.needMg) / 40, 6);
    expect(gramsAt(3)).toBeCloseTo(gramsAt(1) / 3, 6);
  });

  it('offers ammonium only early, and never beyond its cap', () => {
    const { evidence } = seenAt('nitrogen', 32);
    const gramsOf = (more: Partial<typeof evidence>): (string | number)[] => {
      const early = { ...evidence, abv: 5, shareGone: 0.2, nitrogenShare: 0.3, ...more };
      return curesFor(stallVerdict(evidence), early, rankCauses(early))
        .find(({ id }) => id === 'feed')!
        .sentence.map((part) => (typeof part === 'string' ? part : part.value));
    };
    const told = (more: Partial<typeof evidence>): string => gramsOf(more).join('');
    expect(told({})).toMatch(/So early it may be .* diammonium phosphate/);
    expect(told({ shareGone: 0.4 })).toMatch(/No ammonium any more/);
    expect(told({ abv: 9.5 })).toMatch(/No ammonium any more/);
    const capG = (8 * 453.59237) / 3785.411784;
    const room = gramsOf({ dapG: capG * evidence.volumeL - 0.7 }).findLast((part) => typeof part === 'number');
    expect(room).toBeCloseTo(0.7, 6);
    expect(told({ dapG: capG * evidence.volumeL })).not.toMatch(/diammonium/);
  });

  it('tells nitrogen by when it came', () => {
    const { ledger, evidence } = seenAt('tolerance', 35);
    const { inMustMg, toThirdMg, toHalfMg, lateMg } = evidence.nitrogenCame;
    expect(evidence.nitrogenShare).toBeCloseTo((inMustMg + toThirdMg + toHalfMg) / evidence.needMg, 9);
    expect(toThirdMg + toHalfMg + lateMg).toBeCloseTo(ledger.liquid.ammoniumNMg + ledger.liquid.aminoNMg, 6);
    expect(toThirdMg).toBeGreaterThan(0);
    const allLate = ledger.history.doses.map((dose) => ({ ...dose, at: ledger.history.lastEventAt! }));
    const came = stallEvidence({ ...ledger, history: { ...ledger.history, doses: allLate } }, ledger.history.lastEventAt!, 1)!.nitrogenCame;
    expect(came).toMatchObject({ toThirdMg: 0, toHalfMg: 0, lateMg: expect.closeTo(toThirdMg + toHalfMg + lateMg, 6) as number });
  });

  it('sees a chill in temperatures that were read without a gravity', () => {
    const { ledger, evidence } = seenAt('heat', 14);
    const stopAt = evidence.still!.at;
    const chilled = {
      ...ledger,
      history: { ...ledger.history, temps: [20, 20, 12].map((tempC, i) => ({ at: stopAt + (i - 2) * DAY_MS, tempC })) },
    };
    expect(stallEvidence(chilled, ledger.history.lastEventAt!, 1)).toMatchObject({ largestFallC: 8, tempC: 12 });
    expect(rankCauses(stallEvidence(chilled, ledger.history.lastEventAt!, 1)!).findIndex(({ cause }) => cause.id === 'swing')).toBeLessThan(
      3,
    );
  });

  it('weighs gas that nothing stirred out, and alcohol near what the yeast tolerates', () => {
    const { evidence } = seenAt('cold', 14);
    const scoreOf = (id: StallCauseId, more: Partial<typeof evidence>): number =>
      rankCauses({ ...evidence, ...more }).find(({ cause }) => cause.id === id)!.score;
    const told = JSON.stringify(rankCauses({ ...evidence, gassyDays: 5 }).find(({ cause }) => cause.id === 'gas')!.findings);
    expect(told, 'nobody said that it was stirred').not.toContain('stirred');
    expect(scoreOf('gas', { gassyDays: 9 })).toBeGreaterThan(scoreOf('gas', { gassyDays: 1 }) + 3);
    const { low } = evidence.yeast.toleranceAbv;
    expect(scoreOf('tolerance', { abv: low - 0.5 })).toBeGreaterThan(scoreOf('tolerance', { abv: low - 5 }) + 3);
  });

  it('lets what the maker found settle the order', () => {
    const { evidence } = seenAt('cold', 14);
    const [first] = rankCauses(evidence);
    expect(first!.cause.id).toBe('cold');
    expect(rankCauses(evidence, { cold: false, preservative: true })[0]!.cause.id).toBe('preservative');
  });

  it.each([4, 6.3, 20])('a starter for %d L grows by doublings until all of it is in, each at half its gravity', (liters) => {
    const steps = restartPlan(liters, 1.05);
    expect(steps[0]!.starterL).toBeCloseTo(liters / 16, 9);
    steps.slice(1).forEach((step, i) => expect(step.starterL).toBeLessThanOrEqual(2.2 * steps[i]!.starterL + 1e-9));
    // Half of the first sixteenth is water; all of the stuck mead has gone in at last.
    expect(steps.at(-1)!.starterL).toBeCloseTo(liters * (1 + 1 / 32), 9);
    expect(steps.map(({ day }) => day)).toEqual(steps.map((_, i) => i));
  });
});
