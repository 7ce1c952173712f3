/** Words for a wine's sugar, g/L: Regulation (EU) 2019/33, Annex III, the lower limits; with acid enough the bracketed ones count. */
const BY_SUGAR = [
  { word: 'dry', to: 4, withAcidTo: 9 },
  { word: 'medium dry', to: 12, withAcidTo: 18 },
  { word: 'medium', to: 45, withAcidTo: 45 },
] as const;
/** Acid within so much of the sugar, g/L, makes it taste drier (the same). */
const ACID_WITHIN = { dry: 2, 'medium dry': 10, medium: 0 } as const;

/** The published word for so much sugar. @param taGPerL as tartaric; null where nobody measured it */
export function wordOfSugar(sugarGPerL: number, taGPerL: number | null): string {
  const hit = BY_SUGAR.find(
    ({ word, to, withAcidTo }) =>
      sugarGPerL <= to || (taGPerL !== null && sugarGPerL <= withAcidTo && sugarGPerL - taGPerL <= ACID_WITHIN[word]),
  );
  return hit?.word ?? 'sweet';
}

/** Makers' own words by gravity (trade habit; no two houses draw the lines alike). */
export const MAKERS_WORDS = [
  { word: 'dry', toSg: 1.006 },
  { word: 'semi-sweet', toSg: 1.015 },
  { word: 'sweet', toSg: 1.025 },
  { word: 'dessert', toSg: 1.05 },
] as const;

/** The makers' word for a gravity. */
export const wordOfGravity = (sg: number): string => MAKERS_WORDS.find(({ toSg }) => sg <= toSg)?.word ?? 'dessert';

/** Sugar in a living mead: its yeast is at it again after so many hours, by warmth and strength (our estimate); heat or stabilize it before. */
export const WAKES_H = { low: 12, high: 48 } as const;
