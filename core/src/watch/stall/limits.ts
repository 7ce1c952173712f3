/** Silence before this is lag, not a stall. */
export const LAG_H = 72;
/** Sorbic acid that stops yeast where alcohol helps it, mg/L: the least of Peynaud’s, at 14 % vol. */
export const SORBIC_STOPS_MG_PER_L = 50;
/** SO2 given in all, bound or free, that yeast labors under, mg/L (our estimate). */
export const SO2_HINDERS_MG_PER_L = 60;
