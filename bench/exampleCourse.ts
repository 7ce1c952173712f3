import { ABV_PER_SUGAR } from '@hollow-bell/core/course';
import type { Setting } from '@hollow-bell/core/course';

/** A must of 250 g/L over 90 days, fed three times. */
export const COURSE: Setting = {
  sugarGPerL: 250,
  nitrogenMgPerL: 120,
  pitchGPerL: 0.8,
  temps: [{ hour: 0, tempC: 20 }],
  pulses: [24, 48, 72].map((hour) => ({ hour, scale: 1, sugarGPerL: 0, nitrogenMgPerL: 60 })),
  acidSlowing: 1,
  abvPerSugar: ABV_PER_SUGAR,
  horizonH: 90 * 24,
};
