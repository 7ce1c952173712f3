import { weighedG } from '../quantities/index.ts';
import type { ScaleG } from '../quantities/index.ts';
import { LEAST_DOSE_G, countedMgPerG } from '../nitrogen/index.ts';
import type { Product } from '../nitrogen/index.ts';
import type { PlannedDose } from './schedule.ts';

/** `dropped`: the sugar went faster than the clock; `missed`: a later one is due already. */
export type DoseState = 'given' | 'due' | 'ahead' | 'dropped' | 'missed' | 'too late';

export interface PartNow {
  product: Product;
  massG: number;
  /** Left out because of the alcohol or a cap, g. */
  leftOutG: number;
}

export interface DoseNow {
  dose: PlannedDose;
  state: DoseState;
  /** When it was given, or comes at the latest. */
  dueAt: number;
  /** By the pace of the sugar, where that is sooner than the clock; never before now. */
  expectedAt: number;
  /** For the volume now in the vessel; what was really given where it is given. */
  parts: PartNow[];
  /** What the house's scale tells apart, g. */
  scaleG?: ScaleG | undefined;
}

/** What of a dose can be weighed, in the grams that are shown and written. */
export const weighedParts = (dose: Pick<DoseNow, 'parts' | 'scaleG'> | undefined): PartNow[] =>
  (dose?.parts ?? []).filter(({ massG }) => massG >= LEAST_DOSE_G).map((part) => ({ ...part, massG: weighedG(part.massG, dose?.scaleG) }));

export const isComing = ({ state }: Pick<DoseNow, 'state'>): boolean => state === 'due' || state === 'ahead';
/** Its hour or its sugar came, and it did not. */
export const isWasted = ({ state }: Pick<DoseNow, 'state'>): boolean => state === 'dropped' || state === 'missed' || state === 'too late';

/** What a dose, as it stands, brings by the school's count, mg N. */
export const doseNowMg = ({ parts }: Pick<DoseNow, 'parts'>, organicCredit: number): number =>
  parts.reduce((sum, { product, massG: grams }) => sum + grams * countedMgPerG(product, organicCredit), 0);
