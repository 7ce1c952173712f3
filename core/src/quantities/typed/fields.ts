import { READING_LIMITS } from '../limits.ts';
import type { Limits } from '../limits.ts';
import { SHOWN_UNITS } from '../units.ts';
import { MASS_LIMITS, VOLUME_LIMITS, readMassG, readVolumeL } from './amounts.ts';
import type { TypedBy } from './amounts.ts';
import { readBrix, readMoney, readPh, readPlain, readSg, readTempC } from './scales.ts';

interface Kind {
  limits: Limits;
  /** Decimals that are shown. */
  digits: number;
  unit: string;
  isWhole?: boolean;
  words?: RegExp;
}

/** Every kind of number that a field takes, with its limits in SI. */
export const FIELD_KINDS = {
  mass: { limits: MASS_LIMITS, digits: 2, unit: '' },
  smallMass: { limits: { low: 0, high: 5000 }, digits: 2, unit: 'g' },
  volume: { limits: VOLUME_LIMITS, digits: 2, unit: '' },
  temp: { limits: READING_LIMITS.tempC, digits: 1, unit: '' },
  sg: { limits: READING_LIMITS.sg, digits: 3, unit: '' },
  ph: { limits: READING_LIMITS.ph, digits: 2, unit: '' },
  brix: { limits: READING_LIMITS.brix, digits: 1, unit: '°Bx' },
  abv: { limits: { low: 0, high: 25 }, digits: 1, unit: '% vol', words: /^(?:%|% ?abv|abv|vol)$/ },
  gPerL: { limits: { low: 0, high: 500 }, digits: 0, unit: 'g/L' },
  gramsPerL: { limits: READING_LIMITS.taGPerL, digits: 2, unit: 'g/L' },
  percent: { limits: { low: 0, high: 100 }, digits: 1, unit: '%', words: /^(?:percent|per cent|pct)$/ },
  count: {
    limits: { low: 0, high: 10_000 },
    digits: 0,
    unit: '',
    isWhole: true,
    words: /^(?:bottles?|corks?|caps?|pieces?|pcs?|x|times)\.?$/,
  },
  /** Volumes of CO2. */
  gas: { limits: { low: 0, high: 15 }, digits: 1, unit: 'volumes', words: /^(?:volumes?|vols?|v)\.?$/ },
  money: { limits: { low: 0, high: 100_000 }, digits: 2, unit: '' },
  buffer: { limits: { low: 0, high: 14 }, digits: 2, unit: '' },
  mgPerL: { limits: READING_LIMITS.freeSo2MgPerL, digits: 0, unit: 'mg/L', words: /^(?:ppm)$/ },
  mm: { limits: READING_LIMITS.leesMm, digits: 0, unit: 'mm' },
  /** Of a ratio. */
  parts: { limits: { low: 0, high: 100 }, digits: 1, unit: '', words: /^parts?$/ },
  gPerKg: { limits: { low: 0, high: 1200 }, digits: 0, unit: 'g/kg' },
  resolution: { limits: { low: 0, high: 100 }, digits: 3, unit: '' },
} as const satisfies Record<string, Kind>;
export type FieldKind = keyof typeof FIELD_KINDS;

export interface FieldWish {
  kind: FieldKind;
  /** What the maker calls it, for sentences. */
  named: string;
  limits?: Limits | undefined;
  gPerTsp?: number | null | undefined;
  currency?: string | undefined;
}

/**
 * What a whole text in a field means, in SI; a part of it means nothing.
 * @throws TypedRefusal with a sentence, and what may have been meant
 */
export function readField(typed: string, { kind, named, limits, gPerTsp, currency }: FieldWish, by: TypedBy): number {
  const of: Kind = FIELD_KINDS[kind];
  const within = limits ?? of.limits;
  const { mass, volume, temp } = SHOWN_UNITS[by.units];
  switch (kind) {
    case 'mass':
      return readMassG(typed, by, { unit: mass, limits: within, gPerTsp });
    case 'smallMass':
      return readMassG(typed, by, { unit: 'g', limits: within, gPerTsp });
    case 'volume':
      return readVolumeL(typed, by, { unit: volume, limits: within });
    case 'temp':
      return readTempC(typed, by, { unit: temp, limits: within });
    case 'sg':
      return readSg(typed, by);
    case 'brix':
      return readBrix(typed, by, within);
    case 'ph':
      return readPh(typed, by, within);
    case 'money':
      return readMoney(typed, by, { currency: currency ?? '', named, limits: within });
    default: {
      const { unit, isWhole, words } = of;
      return readPlain(typed, by, {
        named,
        limits: within,
        unit,
        ...(isWhole === undefined ? {} : { isWhole }),
        ...(words === undefined ? {} : { words }),
      });
    }
  }
}
