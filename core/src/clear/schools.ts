import { gravity, say } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';

/** Two schools of the first racking: at about 1.010, so that the new vessel finishes under its own gas; or at dryness. */
export const RACK_SCHOOLS = ['at dryness', 'at 1.010'] as const;
export type RackSchool = (typeof RACK_SCHOOLS)[number];
/** Where the second of them racks, SG. */
export const FIRST_AT_SG = 1.01;

/** A school as its maker reads it. */
export const rackSchoolTold = (school: RackSchool): Sentence => (school === 'at dryness' ? [school] : say`at ${gravity(FIRST_AT_SG)}`);
