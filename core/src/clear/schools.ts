/** Two schools of the first racking: at about 1.010, so that the new vessel finishes under its own gas; or at dryness. */
export const RACK_SCHOOLS = ['at dryness', 'at 1.010'] as const;
export type RackSchool = (typeof RACK_SCHOOLS)[number];
