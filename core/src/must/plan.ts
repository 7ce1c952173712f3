import type { Vessel } from '../vessel/index.ts';

export interface PlannedHoney {
  name: string;
  massG: number;
  /** Fractions of the honey's mass. */
  moisture: number;
  unfermentable: number;
}

/** What the maker means to do, before it is poured. */
export interface MustPlan {
  honeys: PlannedHoney[];
  waterL: number;
  yeastId: string;
  vessel: Vessel;
  roomTempC: number;
}
