import { levelCm, sectionOf } from '@hollow-bell/core/vessel';
import type { Section, Vessel } from '@hollow-bell/core/vessel';

/** Something poured in, from the bottom up. */
export interface Layer {
  liters: number;
  color: string;
  label: string;
}

export interface Band extends Layer {
  fromCm: number;
  toCm: number;
}

export interface SectionDrawing {
  section: Section;
  scale: number;
  width: number;
  height: number;
  /** Wide-mouthed vessels have a lid where others have a bung. */
  lid: boolean;
  radiusAt: (heightCm: number) => number;
}

/** A vessel's section in pixels: the axis at x = 0, the floor at y = height. */
export function sectionDrawing(vessel: Vessel, scale: number): SectionDrawing {
  const section = sectionOf(vessel);
  const radiusAt = (heightCm: number): number => {
    const above = section.heightCm.findIndex((h) => h >= heightCm);
    return section.radiusCm[above === -1 ? section.radiusCm.length - 1 : above] ?? 0;
  };
  return {
    section,
    scale,
    width: 2 * Math.max(...section.radiusCm) * scale,
    height: (section.heightCm.at(-1) ?? 0) * scale,
    lid: vessel.kind === 'bucket' || vessel.kind === 'keg',
    radiusAt,
  };
}

/** The layers at their true heights; what does not fit is cut off at the brim. */
export function layersOf({ section }: SectionDrawing, layers: readonly Layer[]): Band[] {
  let liters = 0;
  return layers.map((layer) => {
    const fromCm = levelCm(section, liters);
    liters += layer.liters;
    return { ...layer, fromCm, toCm: levelCm(section, liters) };
  });
}

function path(right: [number, number][]): string {
  const points = [...right, ...right.toReversed().map(([x, y]): [number, number] => [-x, y])];
  return `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
}

/** The part of the vessel between two heights. */
export function bandPath(drawing: SectionDrawing, fromCm: number, toCm: number): string {
  const { section, scale, height, radiusAt } = drawing;
  const between = section.heightCm.flatMap((h, i): [number, number][] => (h > fromCm && h < toCm ? [[section.radiusCm[i] ?? 0, h]] : []));
  const profile: [number, number][] = [[radiusAt(fromCm), fromCm], ...between, [radiusAt(toCm), toCm]];
  return path(profile.map(([r, h]) => [r * scale, height - h * scale]));
}

export const outlinePath = (drawing: SectionDrawing): string => bandPath(drawing, 0, drawing.section.heightCm.at(-1) ?? 0);
