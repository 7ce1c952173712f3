import { z } from 'zod';

/** The maker's units and schools, set once and overridable per batch. */
export const practiceSchema = z.strictObject({
  units: z.enum(['metric', 'us', 'uk']),
  region: z.enum(['us', 'eu']),
  /** 1: organic nitrogen at face value; 3: the school that counts it threefold. */
  organicCredit: z.number().min(1).max(4),
  dapShare: z.number().min(0).max(1),
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
};
