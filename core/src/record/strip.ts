/** A paper strip, ± pH (our estimate). */
export const STRIP_PLUS_MINUS = 0.3;
