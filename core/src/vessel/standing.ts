import { levelCm, sectionOf } from './shape.ts';
import type { Vessel } from './shape.ts';

/** Liters of a batch that stand in one vessel. A companion keeps what tops the others up. */
export interface Filled {
  vessel: Vessel;
  volumeL: number;
  isCompanion: boolean;
}

/** How deep a bung sits in a narrow neck, mm (our estimate). */
const BUNG_MM = 20;
const isNarrow = ({ kind }: Vessel): boolean => kind === 'jug' || kind === 'carboy';

export interface Level {
  /** Of the liquid above the floor, mm; at most the brim. */
  levelMm: number;
  /** Air under the bung, or under the brim of a wide mouth, mm; nothing where it touches. */
  headspaceMm: number;
  /** Air up to the brim, L; negative where so much does not fit. */
  headspaceL: number;
}

/** Where so much liquid stands in a vessel. @param volumeL 0 or more */
export function levelIn(vessel: Vessel, volumeL: number): Level {
  const section = sectionOf(vessel);
  const levelMm = 10 * levelCm(section, volumeL);
  const brimMm = 10 * (section.heightCm.at(-1) ?? 0);
  return {
    levelMm,
    headspaceMm: Math.max(0, brimMm - (isNarrow(vessel) ? BUNG_MM : 0) - levelMm),
    headspaceL: vessel.capacityL - volumeL,
  };
}

/**
 * The same vessels with so much in them now: companions keep what they hold while there is as much; what was poured in or taken out
 * since is shared by the others as they were filled.
 * @param presentL of the whole batch
 */
export function filledNow(filled: readonly Readonly<Filled>[], presentL: number): Filled[] {
  const sumOf = (some: readonly Readonly<Filled>[]): number => some.reduce((sum, { volumeL }) => sum + volumeL, 0);
  const companionsL = sumOf(filled.filter(({ isCompanion }) => isCompanion));
  const othersL = sumOf(filled) - companionsL;
  const keeps = companionsL > 0 ? Math.min(1, presentL / companionsL) : 1;
  const restL = presentL - keeps * companionsL;
  return filled.map((each) => ({
    ...each,
    volumeL: each.isCompanion ? each.volumeL * keeps : othersL > 0 ? (each.volumeL * restL) / othersL : 0,
  }));
}
