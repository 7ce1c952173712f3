import { Refusal, choice, number, record, text } from '../quantities/index.ts';

export const VESSEL_KINDS = ['jug', 'carboy', 'bucket', 'keg'] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];

export interface Vessel {
  kind: VesselKind;
  name: string;
  capacityL: number;
}

/** As a plan or a record names one. */
export const vesselShape = record({ kind: choice(...VESSEL_KINDS), name: text(60), capacityL: number(0.1, 1000, [1, 30]) });

/** A vessel cut through its axis: radius at rising heights, in cm, and the liters that reach up to each. */
export interface Section {
  heightCm: number[];
  radiusCm: number[];
  litersBelow: number[];
}

/** Radius (of the widest) at rising heights (of the whole): our drawings of the usual shapes. */
const OUTLINES: Record<VesselKind, { heightPerWidth: number; outline: [height: number, radius: number][] }> = {
  jug: {
    heightPerWidth: 1.55,
    outline: [
      [0, 0.9],
      [0.02, 0.97],
      [0.05, 1],
      [0.58, 1],
      [0.66, 0.93],
      [0.74, 0.74],
      [0.82, 0.46],
      [0.88, 0.27],
      [0.91, 0.23],
      [1, 0.23],
    ],
  },
  carboy: {
    heightPerWidth: 1.6,
    outline: [
      [0, 0.92],
      [0.02, 0.98],
      [0.05, 1],
      [0.66, 1],
      [0.73, 0.94],
      [0.79, 0.78],
      [0.85, 0.46],
      [0.89, 0.2],
      [0.92, 0.16],
      [1, 0.16],
    ],
  },
  bucket: {
    heightPerWidth: 1.12,
    outline: [
      [0, 0.82],
      [0.02, 0.84],
      [1, 1],
    ],
  },
  keg: {
    heightPerWidth: 2.4,
    outline: [
      [0, 0.85],
      [0.03, 0.97],
      [0.06, 1],
      [0.93, 1],
      [0.97, 0.9],
      [1, 0.7],
    ],
  },
};

const STEPS = 80;

function radiusAt(outline: [number, number][], height: number): number {
  const above = outline.findIndex(([h]) => h >= height);
  const [h1, r1] = outline[above] ?? [1, 0];
  const [h0, r0] = outline[Math.max(0, above - 1)] ?? [0, r1];
  return h1 === h0 ? r1 : r0 + ((r1 - r0) * (height - h0)) / (h1 - h0);
}

const coneLiters = (r0: number, r1: number, height: number): number => (Math.PI * height * (r0 * r0 + r0 * r1 + r1 * r1)) / 3000;

/** The section of a kind of vessel, 2 cm wide. */
function unitSection({ heightPerWidth, outline }: (typeof OUTLINES)[VesselKind]): Section {
  const heights = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS);
  const radii = heights.map((h) => radiusAt(outline, h));
  const liters = [0];
  for (let i = 1; i <= STEPS; i++)
    liters.push((liters[i - 1] ?? 0) + coneLiters(radii[i - 1] ?? 0, radii[i] ?? 0, (2 * heightPerWidth) / STEPS));
  return { heightCm: heights.map((h) => h * 2 * heightPerWidth), radiusCm: radii, litersBelow: liters };
}
const UNIT_SECTIONS: Readonly<Record<VesselKind, Section>> = {
  jug: unitSection(OUTLINES.jug),
  carboy: unitSection(OUTLINES.carboy),
  bucket: unitSection(OUTLINES.bucket),
  keg: unitSection(OUTLINES.keg),
};

/**
 * The section of a vessel at its true size: scaled so that the body of revolution holds exactly its capacity.
 * @throws Refusal for a capacity outside 0.1 to 1000 L
 */
export function sectionOf(vessel: Vessel): Section {
  if (!(vessel.capacityL >= 0.1 && vessel.capacityL <= 1000)) throw new Refusal('A vessel must hold between 0.1 and 1000 L.', 'capacityL');
  const { heightCm, radiusCm, litersBelow } = UNIT_SECTIONS[vessel.kind];
  const swell = vessel.capacityL / (litersBelow[STEPS] ?? 1);
  const scale = Math.cbrt(swell);
  return {
    heightCm: heightCm.map((h) => h * scale),
    radiusCm: radiusCm.map((r) => r * scale),
    litersBelow: litersBelow.map((liters) => liters * swell),
  };
}

/** Height in cm that this volume reaches; at most the brim. */
export function levelCm(section: Section, volumeL: number): number {
  return interpolate(section.litersBelow, section.heightCm, volumeL);
}

/** Liters below this height in cm: the inverse of levelCm. */
export function litersAt(section: Section, heightCm: number): number {
  return interpolate(section.heightCm, section.litersBelow, heightCm);
}

function interpolate(from: readonly number[], to: readonly number[], x: number): number {
  const last = from.length - 1;
  if (x <= (from[0] ?? 0)) return to[0] ?? 0;
  if (x >= (from[last] ?? 0)) return to[last] ?? 0;
  const i = from.findIndex((value) => value >= x);
  const [x0, x1, y0, y1] = [from[i - 1] ?? 0, from[i] ?? 0, to[i - 1] ?? 0, to[i] ?? 0];
  return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
}
