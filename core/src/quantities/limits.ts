/** What a number may be at all, in SI: fields, dip line, tables, floats and the contract hold to the same. */
export interface Limits {
  low: number;
  high: number;
}

/** Lowest and highest specific gravity that a must, mead or its sample can show on a hydrometer. */
export const SG_RANGE = { low: 0.97, high: 1.2 } as const satisfies Limits;

/** Of what is read on an instrument. */
export const READING_LIMITS = {
  sg: SG_RANGE,
  brix: { low: 0, high: 45 },
  /** Of a sample, °C. */
  tempC: { low: 0, high: 60 },
  ph: { low: 2.5, high: 5 },
  /** As tartaric. */
  taGPerL: { low: 0, high: 30 },
  freeSo2MgPerL: { low: 0, high: 300 },
  leesMm: { low: 0, high: 500 },
} as const satisfies Record<string, Limits>;
