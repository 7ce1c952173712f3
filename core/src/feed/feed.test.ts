import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NUTRIENTS, fold, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { Refusal, HOUR_MS } from '../quantities/index.ts';
import { extractGPerLFromSg } from '../liquid/index.ts';
import { referenceCases } from '../reference/cases.ts';
import type { NitrogenDemand } from '../yeast/index.ts';
import { DAP_CAP_G_PER_L, HONEY_NITROGEN } from '../nitrogen/index.ts';
import { FIRST_AMMONIUM_H, THIRD_BREAK } from '../yeast/index.ts';
import { SCHOOL_IDS, feedingNow, nitrogenStaircase } from './index.ts';
import { countedMgPerG, nitrogenMgPerG } from '../nitrogen/index.ts';
import { grapeMustNitrogenMgPerL } from '../nitrogen/index.ts';
import { nitrogenNeedMgPerL } from '../nitrogen/index.ts';
import { planFeeding } from './schedule.ts';
import type { DoseNow, FeedingPractice } from './index.ts';
import type { Product } from '../nitrogen/index.ts';
import type { ToFeed } from './schedule.ts';
import { EXAMPLE_HONEY, EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';

const START = MIXED_AT;
const HOUR = HOUR_MS;
const practice = EXAMPLE_PRACTICE;
const at = (...more: Happening[]) => exampleBatch('strong', ...more);

/** g/L that a plan takes of one product where nothing else may cover the target. */
function ammoniumOnly(ammonium: Product, targetMgPerL: number, dapCapGPerL: number): number {
  const sugarGPerL = (targetMgPerL + HONEY_NITROGEN.value) / 0.75;
  const plan = planFeeding(
    { sugarGPerL, demand: 'low', broughtMgPerL: 0 },
    { ...practice, school: 'upfront', ammoniumShare: 1, dapCapGPerL, ammonium },
  );
  return plan.doses[0]?.parts.find(({ product }) => product === ammonium)?.gPerL ?? 0;
}

describe('nitrogen arithmetic agrees with the reference values', () => {
  const compute: Record<string, (i: Record<string, number>) => unknown> = {
    yan_need: (i) =>
      nitrogenNeedMgPerL(Math.max(0, extractGPerLFromSg(i['sg']!)), i['demand'] as unknown as NitrogenDemand, i['offset'] ?? 0),
    yan_bisson_butzke: (i) => grapeMustNitrogenMgPerL(i['brix']!),
    nutrient_grams: (i) => {
      const source = ({ complex_blend: 'complex', dap: 'dap' } as const)[i['source'] as unknown as 'dap'];
      return ammoniumOnly({ source }, i['target_mg_n_l']!, Number.MAX_SAFE_INTEGER) * i['volume_l']!;
    },
    dap_with_cap: (i) => {
      const gPerL = ammoniumOnly({ source: 'dap' }, i['target_mg_n_l']!, DAP_CAP_G_PER_L.us);
      const nMgPerL = gPerL * nitrogenMgPerG({ source: 'dap' }).ammonium;
      const missing = i['target_mg_n_l']! - nMgPerL;
      return { grams: gPerL * i['volume_l']!, n_mg_l: nMgPerL, missing_mg_l: missing, capped: missing > 1e-9 };
    },
  };
  for (const [name, run] of Object.entries(compute)) {
    it.each(referenceCases(name).map((c) => [c.id, c] as const))(`${name}: %s`, (_id, c) => {
      expect(c.differences(() => run(c.inputs))).toEqual([]);
    });
  }

  it('says nothing about grape musts outside the table', () => {
    expect(grapeMustNitrogenMgPerL(20)).toBeNull();
    expect(grapeMustNitrogenMgPerL(28)).toBeNull();
  });
});

const toFeed = (sugarGPerL: number, demand: NitrogenDemand = 'high', broughtMgPerL = 0): ToFeed => ({ sugarGPerL, demand, broughtMgPerL });
const anyDemand = fc.constantFrom<NitrogenDemand>('low', 'medium', 'high');
const ammoniumProducts: Product[] = [
  { source: 'dap' },
  { source: 'complex' },
  { source: 'cutDap' },
  { source: 'own', own: { name: 'salt', ammoniumN: 0.12, aminoN: 0.01 } },
];
const organicProducts: Product[] = [{ source: 'organic' }, { source: 'noAmmonium' }];
const anyPractice: fc.Arbitrary<FeedingPractice> = fc.record({
  school: fc.constantFrom(...SCHOOL_IDS),
  setDoses: fc.constant([]),
  ownHours: fc.array(fc.integer({ min: 0, max: 200 }), { maxLength: 6 }),
  organicCredit: fc.constantFrom(1, 2, 3, 4),
  ammoniumShare: fc.double({ min: 0, max: 1, noNaN: true }),
  dapCapGPerL: fc.constantFrom(DAP_CAP_G_PER_L.us, DAP_CAP_G_PER_L.eu),
  organic: fc.constantFrom(...organicProducts),
  ammonium: fc.constantFrom(...ammoniumProducts),
});
const ammoniumMg = (parts: readonly { product: Product; gPerL: number }[]): number =>
  parts.reduce((sum, { product, gPerL }) => sum + gPerL * nitrogenMgPerG(product).ammonium, 0);

describe('a plan by any school', () => {
  it('never passes the cap, gives no ammonium to waking yeast or past the break, and meets the need or says what is missing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 400, noNaN: true }),
        anyDemand,
        fc.double({ min: 0, max: 150, noNaN: true }),
        anyPractice,
        (sugar, demand, brought, p) => {
          const plan = planFeeding(toFeed(sugar, demand, brought), p);
          const total = plan.doses.reduce((sum, dose) => sum + ammoniumMg(dose.parts), 0);
          expect(total).toBeLessThanOrEqual(p.dapCapGPerL * 1000 * NUTRIENTS.dap.ammoniumN + 1e-6);
          for (const dose of plan.doses) {
            if (ammoniumMg(dose.parts) > 0) {
              expect(dose.clockH).toBeGreaterThanOrEqual(FIRST_AMMONIUM_H);
              expect(dose.share ?? 0).toBeLessThan(THIRD_BREAK);
            }
          }
          const covered = plan.creditMgPerL + plan.suppliedMgPerL + plan.missingMgPerL;
          expect(covered).toBeGreaterThanOrEqual(plan.needMgPerL - 1e-6);
          if (plan.suppliedMgPerL > 0) expect(plan.creditMgPerL + plan.suppliedMgPerL).toBeLessThanOrEqual(plan.needMgPerL + 1e-6);
          expect(plan.doses.map(({ number }) => number)).toEqual(plan.doses.map((_, i) => i + 1));
        },
      ),
      { numRuns: 300, seed: 5 },
    );
  });

  it.each<[FeedingPractice['school'], number[], number]>([
    ['none', [], 0],
    ['upfront', [6], 1],
    ['equal', [0, 24, 48, 72], 3],
    ['clock', [24, 48, 72, 168], 3],
    ['gravity', [12, 60, 108, 168], 3],
    ['early', [12, 36, 60, 168], 2],
    ['organic', [24, 48, 72, 168], 0],
    ['own', [24, 48, 72], 2],
  ])('%s: comes at its hours, ammonium in as many doses', (school, hours, ammoniumDoses) => {
    const { doses } = planFeeding(toFeed(250), { ...practice, school });
    expect(doses.map(({ clockH }) => clockH)).toEqual(hours);
    expect(doses.filter(({ parts }) => ammoniumMg(parts) > 0)).toHaveLength(ammoniumDoses);
  });

  it('credits what fruit brings, and counts organic nitrogen as the school does', () => {
    expect(planFeeding(toFeed(250, 'medium', 40), practice).creditMgPerL).toBe(60);
    const face = planFeeding(toFeed(250), { ...practice, school: 'organic' });
    const threefold = planFeeding(toFeed(250), { ...practice, school: 'organic', organicCredit: 3 });
    expect(face.doses[0]!.parts[0]!.gPerL / threefold.doses[0]!.parts[0]!.gPerL).toBeCloseTo(3, 9);
  });

  it.each([0, 0.8])('refuses a product of %d nitrogen with a sentence', (ammoniumN) => {
    const ammonium: Product = { source: 'own', own: { name: 'wonder dust', ammoniumN, aminoN: 0 } };
    expect(() => planFeeding(toFeed(250), { ...practice, ammonium })).toThrow(/wonder dust/);
    expect(() => planFeeding(toFeed(250), { ...practice, ammonium })).toThrow(Refusal);
  });
});

describe('the plan as the must really goes', () => {
  const plan = planFeeding(toFeed(at().history.pitch!.sugarGPerL), practice);
  const doses = (ledger: Ledger, h: number) => feedingNow(plan, ledger, START + h * HOUR).doses;
  const states = (ledger: Ledger, h: number): string[] => doses(ledger, h).map(({ state }) => state);
  const gramsOf = ({ parts }: DoseNow): number => parts.reduce((sum, part) => sum + part.massG, 0);
  const told = (ledger: Ledger, h: number): string =>
    feedingNow(plan, ledger, START + h * HOUR)
      .changes.flat()
      .map((part) => (typeof part === 'string' ? part : part.value.toFixed(2)))
      .join('');
  const fed = (dose: number, organicG: number, dapG = 0): EventContent[] => [
    { kind: 'nutrient', payload: { source: 'organic', massG: organicG, dose } },
    ...(dapG > 0 ? [{ kind: 'nutrient' as const, payload: { source: 'dap' as const, massG: dapG, dose } }] : []),
  ];
  const asPlanned = (number: number): EventContent[] => {
    const [organicG = 0, dapG = 0] = doses(at(), 1)[number - 1]!.parts.map(({ massG }) => massG);
    return fed(number, organicG, dapG);
  };

  it('changes nothing where nothing is new', () => {
    const now = feedingNow(plan, at(), START + 2 * HOUR);
    expect(now.changes).toEqual([]);
    const volumeL = viewOf(at())!.volumeL;
    for (const [i, dose] of now.doses.entries())
      expect(gramsOf(dose)).toBeCloseTo(
        plan.doses[i]!.parts.reduce((sum, { gPerL }) => sum + gPerL * volumeL, 0),
        6,
      );
    expect(feedingNow(plan, at(), START + 20 * HOUR).doses.map(gramsOf)).toEqual(now.doses.map(gramsOf));
  });

  it('gives half when half the volume is gone, and says so', () => {
    const half = viewOf(at())!.volumeL / 2;
    const loss: Happening = [20, { kind: 'removal', payload: { volumeL: half, reason: 'foam' } }];
    doses(at(loss), 22).forEach((dose, i) => expect(gramsOf(dose)).toBeCloseTo(gramsOf(doses(at(), 22)[i]!) / 2, 9));
    expect(told(at(loss), 22)).toMatch(/foamed over: the 4 doses left are for the/);
  });

  it('by any school: nothing new changes nothing, and a loss takes its share of every dose and of nothing else', () => {
    const share = fc.double({ min: 0.05, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(anyPractice, share, fc.integer({ min: 2, max: 30 }), (p, lost, hour) => {
        const own = planFeeding(toFeed(at().history.pitch!.sugarGPerL), p);
        const whole = feedingNow(own, at(), START + hour * HOUR);
        expect(feedingNow(own, at(), START + hour * HOUR)).toEqual(whole);
        const volumeL = viewOf(at())!.volumeL;
        const less = at([1.5, { kind: 'removal', payload: { volumeL: lost * volumeL, reason: 'spill' } }]);
        const after = feedingNow(own, less, START + hour * HOUR);
        after.doses.forEach((dose, i) => {
          expect(dose.state).toBe(whole.doses[i]!.state);
          expect(gramsOf(dose)).toBeCloseTo(gramsOf(whole.doses[i]!) * (1 - lost), 6);
        });
        expect(after.wantedMg).toBeCloseTo(whole.wantedMg * (1 - lost), 4);
        const ammonium = whole.doses
          .flatMap(({ parts }) => parts)
          .reduce((sum, { product, massG }) => sum + massG * nitrogenMgPerG(product).ammonium, 0);
        const counted = whole.doses.filter(({ state }) => state !== 'missed').flatMap(({ parts }) => parts);
        expect(counted.reduce((sum, { product, massG }) => sum + massG * countedMgPerG(product, p.organicCredit), 0)).toBeLessThanOrEqual(
          whole.wantedMg + 1e-6,
        );
        if (!whole.doses.some(({ state }) => state === 'missed'))
          expect(ammonium).toBeLessThanOrEqual(p.dapCapGPerL * volumeL * 1000 * NUTRIENTS.dap.ammoniumN + 1e-6);
      }),
      { numRuns: 120, seed: 8 },
    );
  });

  it('gives the rest as planned after a dose as planned and a loss of both', () => {
    const rows: Happening[] = asPlanned(1).map((event) => [25, event]);
    const before = doses(at(...rows), 26);
    const after = doses(at(...rows, [26, { kind: 'removal', payload: { volumeL: 1, reason: 'spill' } }]), 27);
    const share = 1 - 1 / viewOf(at())!.volumeL;
    for (const i of [1, 2, 3]) expect(gramsOf(after[i]!)).toBeCloseTo(gramsOf(before[i]!) * share, 6);
  });

  it('keeps what was given and calls what is due', () => {
    const ledger = at(...asPlanned(1).map((event): Happening => [25, event]));
    expect(states(ledger, 60)).toEqual(['given', 'due', 'ahead', 'ahead']);
  });

  it('spreads missed doses over the rest instead of doubling up', () => {
    expect(states(at(), 50)).toEqual(['missed', 'due', 'ahead', 'ahead']);
    expect(told(at(), 50)).toContain('Dose 1 was missed');
    const due = doses(at(), 50)[1]!;
    expect(gramsOf(due)).toBeGreaterThan(gramsOf(doses(at(), 1)[1]!));
    expect(gramsOf(due)).toBeLessThanOrEqual(gramsOf(doses(at(), 1)[1]!) * 1.5 + 1e-9);
  });

  it('brings one dose forward at the third break, drops the rest, and leaves ammonium out', () => {
    const ledger = at(...asPlanned(1).map((event): Happening => [25, event]), [40, { kind: 'reading', payload: { sg: 1.061 } }]);
    expect(states(ledger, 41)).toEqual(['given', 'due', 'dropped', 'dropped']);
    expect(told(ledger, 41)).toMatch(/A third of the sugar was gone 9\.00 before its hour: dose 2 now, doses 3 and 4 dropped/);
    const [organicPart, dapPart] = doses(ledger, 41)[1]!.parts;
    expect(organicPart!.massG).toBeGreaterThan(0);
    expect(dapPart!.massG).toBe(0);
  });

  it('gives no second dose once one was given past the break', () => {
    const broken: Happening = [40, { kind: 'reading', payload: { sg: 1.061 } }];
    const dose = (number: number, h: number) => asPlanned(number).map((event): Happening => [h, event]);
    expect(states(at(...dose(1, 25), broken, ...dose(2, 42)), 43)).toEqual(['given', 'given', 'dropped', 'dropped']);
    // Dose 2 was overdue when the break came: it is the one, and not the next beside it.
    const late: Happening = [56, broken[1]];
    expect(states(at(...dose(1, 25), late), 56)).toEqual(['given', 'due', 'dropped', 'dropped']);
    expect(states(at(...dose(1, 25), late), 60)).toEqual(['given', 'due', 'dropped', 'dropped']);
    expect(told(at(...dose(1, 25), late), 60)).toMatch(/A third of the sugar is gone: dose 2 now, doses 3 and 4 dropped.* stay uncovered/);
  });

  it('feeds nothing once half the sugar is gone', () => {
    expect(states(at([40, { kind: 'reading', payload: { sg: 1.02 } }]), 41)).toEqual(['too late', 'too late', 'too late', 'too late']);
  });

  it('comes by the sugar where the school goes by the sugar', () => {
    const bySugar = planFeeding(toFeed(at().history.pitch!.sugarGPerL), { ...practice, school: 'gravity' });
    const ledger = at(...fed(1, 5).map((event): Happening => [13, event]), [30, { kind: 'reading', payload: { sg: 1.094 } }]);
    expect(ledger.history.readings[0]!.shareGone).toBeGreaterThan(1 / 9);
    expect(feedingNow(bySugar, ledger, START + 31 * HOUR).doses.map(({ state }) => state)).toEqual(['given', 'due', 'ahead', 'ahead']);
  });

  it('takes what was given beyond the plan off the doses left, and never passes the need', () => {
    const ledger = at([25, { kind: 'nutrient', payload: { source: 'organic', massG: 22, dose: 1 } }]);
    const { doses: now, wantedMg } = feedingNow(plan, ledger, START + 30 * HOUR);
    const leftMg = now
      .filter(({ state }) => state !== 'given')
      .flatMap(({ parts }) => parts)
      .reduce((sum, { product, massG }) => sum + massG * countedMgPerG(product, 1), 0);
    expect(leftMg).toBeCloseTo(wantedMg, 6);
    expect(told(ledger, 30)).toContain('More is in than planned');
  });

  it('keeps each dose’s grams where water went in', () => {
    const topped = at([20, { kind: 'water', payload: { volumeL: 1 } }]);
    doses(topped, 22).forEach((dose, i) => expect(gramsOf(dose)).toBeCloseTo(gramsOf(doses(at(), 22)[i]!), 0));
    expect(told(topped, 22)).toMatch(/^1\.00 went in without sugar: it is thinner, not hungrier/);
  });

  it('holds a packet’s own cap for what was given and what comes', () => {
    const organic: Product = { source: 'organic', capGPerL: 1.5 };
    const capped = planFeeding(toFeed(at().history.pitch!.sugarGPerL), { ...practice, organic });
    expect(capped.missingMgPerL).toBeGreaterThan(0);
    const ledger = at([25, { kind: 'nutrient', payload: { source: 'organic', massG: 6, dose: 1 } }]);
    const now = feedingNow(capped, ledger, START + 26 * HOUR).doses.flatMap(({ parts }) => parts);
    const organicG = now.filter(({ product }) => product.source === 'organic').reduce((sum, { massG }) => sum + massG, 0);
    expect(organicG).toBeLessThanOrEqual(1.5 * viewOf(ledger)!.volumeL + 1e-9);
  });

  it('wants more when honey goes in after the pitch', () => {
    const later: EventContent = { kind: 'honey', payload: { ...EXAMPLE_HONEY.payload, massG: 400 } };
    expect(feedingNow(plan, at([20, later]), START + 21 * HOUR).wantedMg).toBeGreaterThan(
      feedingNow(plan, at(), START + 21 * HOUR).wantedMg + 300,
    );
    expect(told(at([20, later]), 21)).toContain('Sugar went in after the pitch');
  });

  it('counts ammonium already given, by whatever hand, against the cap', () => {
    const ledger = at([10, { kind: 'nutrient', payload: { source: 'dap', massG: 5 } }]);
    const dapG = doses(ledger, 12)
      .flatMap(({ parts }) => parts)
      .filter(({ product }) => product.source === 'dap')
      .reduce((sum, { massG }) => sum + massG, 5);
    expect(dapG).toBeLessThanOrEqual(DAP_CAP_G_PER_L.us * viewOf(ledger)!.volumeL + 1e-9);
  });

  it('says nothing of an empty vessel', () => {
    expect(feedingNow(plan, fold([]), START)).toEqual({ doses: [], changes: [], wantedMg: 0, givesMgPerL: 0 });
  });

  it('draws the doses as stairs up to the need, also after a loss has taken its part of what was given', () => {
    const ledger = at(...fed(1, 12, 2).map((event): Happening => [25, event]), [
      26,
      { kind: 'removal', payload: { volumeL: 1, reason: 'foam' } },
    ]);
    const drawing = nitrogenStaircase(plan, feedingNow(plan, ledger, START + 30 * HOUR), ledger, START + 30 * HOUR)!;
    const sum = (stairs: readonly { mgPerL: number }[]): number => stairs.reduce((total, { mgPerL }) => total + mgPerL, 0);
    const top = drawing.honeyMgPerL + drawing.fruitMgPerL + sum(drawing.stairs);
    expect(top).toBeLessThanOrEqual(drawing.needMgPerL + 1e-6);
    expect(top).toBeGreaterThan(0.95 * drawing.needMgPerL);
    expect(sum(drawing.stairs.filter(({ state }) => state === 'given'))).toBeCloseTo(viewOf(ledger)!.nitrogenMgPerL, 6);
    expect(drawing.stairs.map(({ hour }) => hour)).toEqual([24, 24, 48, 48, 72, 72, drawing.thirdBreak.hour]);
  });
});
