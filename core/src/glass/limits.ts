/*
 * Every number that the judgement of closed glass rests on. All are our estimates, from what the trade holds to and what a hydrometer
 * can show; where a line names a source, the number is that source's.
 */

/** Two true gravities are equal within this, SG: one home hydrometer's error. */
export const EQUAL_SG = 0.002;

/** What a level may fall over its whole run, SG: the width of a line on the stem, or so much a week; close above the end the error of two readings. */
export const LEVEL = { lineSg: 0.001, aWeekSg: 0.0005, atEndSg: 0.002 } as const;

/** A reading so far above what stood before it cannot be, SG: two hydrometers' errors. */
export const CANNOT_RISE_SG = 0.004;

/** Readings nearer to one another than this are one look, h. */
export const LOOK_H = 48;

/** A reading so early of its day counts as on it, h. */
export const GRACE_H = 1;

/** Points above the likely end up to which a mead is at it, and near it. */
export const POINTS = { atEnd: 1, near: 4, restsDry: 8 } as const;

/** Days of stillness in the warm, and looks, that open glass: at its end, near it by two or by three, and long for what rests further up. */
export const STILL = {
  atEnd: { days: 7, looks: 2 },
  nearTwo: { days: 14, looks: 2 },
  nearThree: { days: 7, looks: 3 },
  long: { days: 28, looks: 3 },
} as const;

/** So far below its yeast's low end its days prove nothing, K; near above its end the low end itself. */
export const COLD_BELOW_LOW_C = 2;

/** Sugar left beyond what a dry mead shows, g/L: up to this it is dry. */
export const DRY_WITHIN_G_PER_L = 10;

/** So little sugar since the last proof is none, g/L. */
export const NO_SUGAR_G_PER_L = 0.5;

/** Its alcohol has met what the yeast bears within so much, and was thinned by no more since, % vol. */
export const AT_LIMIT_ABV = { within: 0.1, thinned: 1 } as const;

/** Below this nothing tastes of sugar, and long stillness is worth a question without the maker's word, SG. */
export const BELOW_WATER_SG = 1;

/** After the last of guard and sweetening, h: powders, and heat. */
export const GUARD_WAIT_H = { dose: 24, heat: 12 } as const;

/** How a guarded mead is read: as the ledger has it, or twice on one level so far apart, the second hardly lower; far below the ledger later. */
export const GUARD_READ = { asExpectedSg: 0.002, twiceH: 48, secondLowerSg: 0.0005, farBelowSg: 0.004, farBelowH: 7 * 24 } as const;

/** Honey may stand so long before its powders, h. */
export const HONEY_BEFORE_GUARD_H = 24;

/** Heated while it worked, days between two readings that show that all of it was reached. */
export const HEATED_LIVE_DAYS = 7;

/** Sulfite older than this has faded, days, where nobody read it. */
export const OLD_POWDERS_DAYS = 180;

/** A point so steady does not move at all, SG: rounding. */
export const NO_SHIFT_SG = 0.0005;

/** Priming wants a firm proof: so many looks, or so many days. */
export const FIRM = { looks: 3, days: 14 } as const;

/** A keg that its maker does not rate bears so much, volumes; smaller ones are asked about, ml. */
export const KEG = { bearsVolumes: 8, askBelowMl: 8000 } as const;

/** No glass is made for more, volumes: more likely a slip of unit. */
export const BEYOND_ANY_VOLUMES = 8;
