/* What may have stopped a fermentation, one rule a file; every weight is our own estimate from how such causes show themselves. */
import type { StallCauseId } from '../../../record/index.ts';
import { addition } from './addition.ts';
import { cold } from './cold.ts';
import { gas } from './gas.ts';
import { heat } from './heat.ts';
import { nitrogen } from './nitrogen.ts';
import { preservative } from './preservative.ts';
import { sour } from './sour.ts';
import { strongStart } from './strongStart.ts';
import { swing } from './swing.ts';
import { tolerance } from './tolerance.ts';
import type { StallCause } from './cause.ts';

const BY_ID = {
  cold,
  swing,
  'strong start': strongStart,
  tolerance,
  gas,
  nitrogen,
  sour,
  addition,
  preservative,
  heat,
} as const satisfies Record<StallCauseId, StallCause>;

export const CAUSES: readonly StallCause[] = Object.values(BY_ID);
