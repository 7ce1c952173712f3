/** At this share of the sugar gone yeast takes up hardly any ammonium more: the last dose comes before it (trade practice). */
export const THIRD_BREAK = 1 / 3;
/** Above this, ammonium is hardly taken up and stays as salt and food for spoilage, % vol. */
export const AMMONIUM_CUTOFF_ABV = 9;
/** No ammonium before the yeast has started: it hinders the uptake of amino nitrogen and stresses cells that are waking up. */
export const FIRST_AMMONIUM_H = 6;
/** Once this much of the sugar is gone, nothing that is fed is of use. */
export const TOO_LATE_SHARE = 0.5;
/** No faster than this, °C a day: a sudden change of warmth harms yeast either way (trade habit). */
export const WARM_C_A_DAY = 3;
