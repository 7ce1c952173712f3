import { SCHOOL_IDS } from '@hollow-bell/core/feed';
import type { Product, SchoolId } from '@hollow-bell/core/feed';
import { z } from 'zod';
import { NUTRIENT_IDS, ownNutrientSchema } from './events.ts';
import type { Same } from './events.ts';

export const productSchema = z.strictObject({
  source: z.enum(NUTRIENT_IDS),
  own: ownNutrientSchema.optional(),
  lotId: z.uuid().optional(),
  gPerTeaspoon: z.number().min(0.5).max(12).optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
});
export const productMatchesCore: Same<z.infer<typeof productSchema>, Product> = true;

/** The maker's units and schools, set once and overridable per batch. */
export const practiceSchema = z.strictObject({
  units: z.enum(['metric', 'us', 'uk']),
  region: z.enum(['us', 'eu']),
  /** 1: organic nitrogen at face value; 3: the school that counts it threefold. */
  organicCredit: z.number().min(1).max(4),
  dapShare: z.number().min(0).max(1),
  school: z.enum(SCHOOL_IDS as [SchoolId, ...SchoolId[]]),
  /** Hours after the pitch, for the school of one's own. */
  ownHours: z.array(z.number().min(0).max(720)).max(10),
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

/** What practices had before makers could choose it; older records are read with it. */
export const PRACTICE_SINCE_MUST = { fruit: 'sulfite', pecticEnzyme: true, mustSulfite: false, pitch: 'rehydrate', currency: '€' } as const;

/** What was fed before makers could choose it. */
export const PRACTICE_SINCE_FEEDING = {
  school: 'clock',
  ownHours: [24, 48, 72],
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
