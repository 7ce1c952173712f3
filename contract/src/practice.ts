import { DAP_CAP_G_PER_L, SCHOOL_IDS, checkDoses, checkProduct } from '@hollow-bell/core/feed';
import type { Product, SchoolId } from '@hollow-bell/core/feed';
import { Refusal } from '@hollow-bell/core/quantities';
import { z } from 'zod';
import { NUTRIENT_IDS, ownNutrientShape } from '@hollow-bell/core/record';
import type { Same } from './events.ts';
import { zodOf } from './zodOf.ts';

export const productSchema = z.strictObject({
  source: z.enum(NUTRIENT_IDS),
  own: zodOf(ownNutrientShape).optional(),
  lotId: z.uuid().optional(),
  gPerTeaspoon: z.number().min(0.5).max(12).optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
  capGPerL: z.number().positive().max(20).optional(),
});
export const productMatchesCore: Same<z.infer<typeof productSchema>, Product> = true;

const setDoseSchema = z.strictObject({
  clockH: z.number().min(0).max(720),
  share: z.number().min(0).max(1).nullable(),
  parts: z.array(z.strictObject({ product: productSchema, gPerL: z.number().min(0).max(20) })).max(10),
});

/** The maker's units and schools, set once and overridable per batch. */
const practiceFields = z.strictObject({
  units: z.enum(['metric', 'us', 'uk']),
  region: z.enum(['us', 'eu']),
  /** 1: organic nitrogen at face value; 3: the school that counts it threefold. */
  organicCredit: z.number().min(1).max(4),
  dapShare: z.number().min(0).max(1),
  school: z.enum(SCHOOL_IDS as [SchoolId, ...SchoolId[]]),
  /** Hours after the pitch, for the school of one's own. */
  ownHours: z.array(z.number().min(0).max(720)).max(10),
  /** What was worked out from the shelf for one must. */
  setDoses: z.array(setDoseSchema).max(10),
  organic: productSchema,
  ammonium: productSchema,
  roomTempC: z.number().min(0).max(45),
  calibrationC: z.union([z.literal(20), z.literal(15.56)]),
  /** What fresh fruit meets before the yeast does. */
  fruit: z.enum(['pasteurize', 'sulfite', 'none']),
  pecticEnzyme: z.boolean(),
  /** 50 mg/L of sulfite in the must a day before the pitch. */
  mustSulfite: z.boolean(),
  pitch: z.enum(['rehydrate', 'sprinkle']),
  /** Sign written before or after amounts of money. */
  currency: z.string().trim().min(1).max(4),
});

/** A practice whose products can feed and whose worked-out doses keep to the rules. */
export const practiceSchema = practiceFields.superRefine(({ organic, ammonium, school, setDoses, region }, context) => {
  try {
    checkProduct(organic);
    checkProduct(ammonium);
    if (school === 'set') checkDoses(setDoses, { dapCapGPerL: DAP_CAP_G_PER_L[region] });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    context.addIssue({ code: 'custom', message: error.message });
  }
});

/** What practices had before makers could choose it; older records are read with it. */
export const PRACTICE_SINCE_MUST = { fruit: 'sulfite', pecticEnzyme: true, mustSulfite: false, pitch: 'rehydrate', currency: '€' } as const;

/** What was fed before makers could choose it. */
export const PRACTICE_SINCE_FEEDING = {
  school: 'clock',
  ownHours: [24, 48, 72],
  setDoses: [],
  organic: { source: 'organic' },
  ammonium: { source: 'dap' },
} satisfies Partial<Practice>;
export type Practice = z.infer<typeof practiceSchema>;

/** Named ways of working to begin from; every one can be changed afterwards. */
export const HOUSE_PRACTICES = [
  {
    id: 'measured',
    name: 'Measured',
    says: 'Organic nutrient and DAP share the feeding; organic nitrogen counts at face value.',
    organicCredit: 1,
    dapShare: 0.5,
  },
  {
    id: 'organic',
    name: 'Organic first',
    says: 'Mostly organic nutrient, its nitrogen counted threefold; a little DAP early.',
    organicCredit: 3,
    dapShare: 0.2,
  },
  { id: 'no-dap', name: 'No DAP', says: 'Organic nutrient alone, its nitrogen counted threefold.', organicCredit: 3, dapShare: 0 },
] as const;

export const DEFAULT_PRACTICE: Practice = {
  units: 'metric',
  region: 'eu',
  organicCredit: 1,
  dapShare: 0.5,
  roomTempC: 19,
  calibrationC: 20,
  ...PRACTICE_SINCE_MUST,
  ...PRACTICE_SINCE_FEEDING,
};
