import typed from './typed.json' with { type: 'json' };
import type { FieldKind, UnitSystem } from '@hollow-bell/core/quantities';

/* What makers type and what must come of it; typed.md says how to read it. */

export interface TypedField {
  id: string;
  house: UnitSystem;
  locale: string;
  kind: FieldKind;
  text: string;
  limits: [number, number];
  gPerTsp?: number | null;
  currency?: string;
  expect: {
    value?: number;
    tolerance?: number;
    ask?: number[];
    refuse?: true;
    offer?: number;
    mustNotOffer?: number[];
    or?: ('ask' | 'refuse' | 'value')[];
  };
}

export interface TypedCandidate {
  batch?: string;
  kind?: string;
  sg?: number;
  tempC?: number;
  ph?: number;
  volumeL?: number;
  count?: number;
  needs?: string[];
}

export interface TypedLine {
  id: string;
  house: UnitSystem;
  locale: string;
  text: string;
  now: string;
  context: {
    batches: string[];
    openBatch?: string;
    stage: 'must' | 'active' | 'finished' | 'stabilized' | 'bottled';
    products: { name: string; kind: string; gPerTsp: number | null; gPerTablet?: number; gPerPacket?: number }[];
    vessels: { name: string; capacityL: number }[];
    timeZone: string;
    volumeL?: number;
    plannedDose?: { product: string; massG: number }[];
    bottles?: { count: number; bottleL: number }[];
  };
  expect: {
    happenings?: ({ kind: string } & Record<string, unknown>)[];
    batch?: string;
    warn?: boolean;
    oneDose?: boolean;
    ask?: true;
    candidates?: TypedCandidate[];
    refuse?: true;
    about?: string;
    note?: true;
    or?: string[];
    mustNotOffer?: number[];
  };
}

const { entries } = typed as unknown as {
  entries: ((TypedField & { type: 'field' }) | (TypedLine & { type: 'line' }))[];
};

export const typedFields: readonly TypedField[] = entries.filter((entry) => entry.type === 'field');
export const typedLines: readonly TypedLine[] = entries.filter((entry) => entry.type === 'line');
