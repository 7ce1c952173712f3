import { anyHappening } from '@hollow-bell/core/testing';
import fc from 'fast-check';
import { honeyComposition } from '@hollow-bell/core/ingredients';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import type { Fit, Immutable } from '@hollow-bell/core/quantities';
import { describe, expect, expectTypeOf, it } from 'vitest';
import { BODIES, checkedPracticeShape } from './bodies.ts';
import { newEventShape } from './events.ts';
import { DEFAULT_PRACTICE, HOUSE_PRACTICES, batchPlanShape, feedingPracticeOf, shelfItemShape } from './index.ts';
import type { mustPlanShape } from './batches.ts';
import { bodySchema } from './zodOf.ts';

const newEventSchema = bodySchema(newEventShape);
const batchPlanSchema = bodySchema(batchPlanShape);
const practiceSchema = bodySchema(checkedPracticeShape);
const createBatchSchema = bodySchema(BODIES.createBatch);
const shelfItemSchema = bodySchema(shelfItemShape);

const SOME_ID = '3f0c6a52-8a3e-4f0e-9c53-0d5f4f1f7a11';
const WRITTEN = { id: SOME_ID, happenedAt: 1_780_000_000_000 };
const plan = {
  must: planOf([plannedHoney('linden', 1500)], 4),
  practice: DEFAULT_PRACTICE,
};

describe('what may be written', () => {
  it('comes through as it was sent', () => {
    fc.assert(
      fc.property(anyHappening, (content) => {
        expect(newEventSchema.parse({ ...content, ...WRITTEN })).toEqual({ ...content, ...WRITTEN });
      }),
      { numRuns: 200, seed: 4 },
    );
  });

  it('may be corrected or taken back', () => {
    fc.assert(
      fc.property(fc.uuid(), fc.option(anyHappening), (eventId, content) => {
        const replacement = content === null ? null : { ...content, happenedAt: 1_780_000_000_000 };
        const amendment = { ...WRITTEN, kind: 'amendment', payload: { eventId, replacement } };
        expect(newEventSchema.parse(amendment)).toEqual(amendment);
      }),
      { numRuns: 60, seed: 9 },
    );
  });

  it.each([
    ['no kind', { payload: {} }],
    ['a kind of its own', { kind: 'moonrise', payload: {} }],
    ['a gravity that is none', { kind: 'reading', payload: { sg: 1048 } }],
    ['a sample near boiling', { kind: 'reading', payload: { sg: 1.05, tempC: 95 } }],
    ['a reading of nothing', { kind: 'reading', payload: {} }],
    ['honey of 40 % water', { kind: 'honey', payload: { name: 'wet', massG: 100, moisture: 0.4, unfermentable: 0.03 } }],
    ['negative honey', { kind: 'honey', payload: { name: 'x', massG: -1, moisture: 0.17, unfermentable: 0.03 } }],
    ['not a number', { kind: 'water', payload: { volumeL: Number.NaN } }],
    ['half a bottle', { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 2.5 }] } }],
    ['an empty note', { kind: 'note', payload: { text: '   ' } }],
    [
      'correcting a correction by hand',
      {
        kind: 'amendment',
        payload: { eventId: SOME_ID, replacement: { kind: 'amendment', payload: {}, happenedAt: 1_780_000_000_000 } },
      },
    ],
  ])('never %s', (_name, content) => {
    expect(newEventSchema.safeParse({ ...content, ...WRITTEN }).success).toBe(false);
  });

  it('needs an id and a believable time', () => {
    const note = { kind: 'note', payload: { text: 'rain' } };
    expect(newEventSchema.safeParse({ ...note, id: SOME_ID, happenedAt: 1_780_000_000_000 }).success).toBe(true);
    expect(newEventSchema.safeParse({ ...note, id: 'one', happenedAt: 1_780_000_000_000 }).success).toBe(false);
    expect(newEventSchema.safeParse({ ...note, id: SOME_ID, happenedAt: 12 }).success).toBe(false);
  });
});

describe('plans and practice', () => {
  it('have core’s own type', () => {
    expectTypeOf<Immutable<Fit<typeof mustPlanShape>>>().toEqualTypeOf<Immutable<MustPlan>>();
  });

  it('takes a whole plan and refuses one without honey or with a vessel of no size', () => {
    expect(batchPlanSchema.safeParse(plan).success).toBe(true);
    expect(batchPlanSchema.safeParse({ ...plan, must: { ...plan.must, ingredients: [] } }).success).toBe(false);
    expect(batchPlanSchema.safeParse({ ...plan, must: { ...plan.must, vessel: { ...plan.must.vessel, capacityL: 0 } } }).success).toBe(
      false,
    );
  });

  it('says what is wrong with a name', () => {
    const result = createBatchSchema.safeParse({ id: SOME_ID, name: '  ', plan });
    expect(result.error?.issues[0]?.message).toBe('A batch needs a name.');
  });

  it('has house practices that are all allowed, and a default that is one of them', () => {
    for (const { organicCredit, dapShare } of HOUSE_PRACTICES) {
      expect(practiceSchema.safeParse({ ...DEFAULT_PRACTICE, organicCredit, dapShare }).success).toBe(true);
    }
    expect(
      HOUSE_PRACTICES.some(
        (house) => house.organicCredit === DEFAULT_PRACTICE.organicCredit && house.dapShare === DEFAULT_PRACTICE.dapShare,
      ),
    ).toBe(true);
  });

  it('caps DAP by the place the maker lives in', () => {
    const us = feedingPracticeOf({ ...batchPlanSchema.parse(plan), practice: { ...DEFAULT_PRACTICE, region: 'us' } });
    const eu = feedingPracticeOf({ ...batchPlanSchema.parse(plan), practice: { ...DEFAULT_PRACTICE, region: 'eu' } });
    expect(us.dapCapGPerL).toBeCloseTo(0.9586, 3);
    expect(eu.dapCapGPerL).toBe(1);
  });
});

describe('what may stand on the shelf', () => {
  const item = {
    id: SOME_ID,
    name: 'linden avenue',
    stockG: 5000,
    pricePerKg: 11,
    expiresOn: '2027-03-31',
    note: '',
    putAway: false,
    detail: { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.171, 0.032), sugarSpread: 0 },
  };
  const problem = (over: object): string | undefined => shelfItemSchema.safeParse({ ...item, ...over }).error?.issues[0]?.message;

  it('is an honest lot', () => {
    expect(problem({})).toBeUndefined();
  });

  it.each([
    ['a honey of 40 % water', { detail: { ...item.detail, composition: honeyComposition(0.4, 0.03) } }, /between 13 and 25 %/],
    [
      'a fruit of more than itself',
      { detail: { ...item.detail, family: 'fruit', composition: { ...item.detail.composition, insoluble: 0.4 } } },
      /cannot pass 100 %/,
    ],
    ['less than nothing', { stockG: -1 }, /less than nothing/],
    ['a day that is none', { expiresOn: '31.3.' }, /2027-03-31/],
    ['no name', { name: ' ' }, /name is missing/],
    [
      'a nutrient of 80 % nitrogen',
      { detail: { kind: 'nutrient', ammoniumN: 0.4, aminoN: 0.2, gPerTeaspoon: 4 } },
      /more nitrogen than urea/,
    ],
  ])('but not %s', (_name, over, sentence) => {
    expect(problem(over)).toMatch(sentence);
  });
});
