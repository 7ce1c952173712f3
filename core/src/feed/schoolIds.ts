/** Schools of timing on which makers differ. */
export const SCHOOL_IDS = ['none', 'upfront', 'equal', 'clock', 'gravity', 'early', 'organic', 'own', 'set'] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];
