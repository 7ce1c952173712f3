import { noMasses, pour } from '../masses/index.ts';
import type { Masses } from '../masses/index.ts';
import type { InVessel } from './ledger.ts';

/** Everything still in the vessel, g. */
export const contentsG = (there: Readonly<InVessel>): number =>
  there.waterG + there.sugarG + there.unfermentableG + there.ethanolG + there.insolubleG + there.saltsG + there.yeastG;

/** What was poured, less what is still there and what left: 0 within rounding, or the fold is wrong. */
export const massImbalanceG = (there: Readonly<InVessel>): number => there.pouredG - contentsG(there) - there.co2G - there.removedG;

/** Every amount that goes with the liquid when part of it is taken out. */
export const DISSOLVED = [
  'waterG',
  'sugarG',
  'unfermentableG',
  'ethanolG',
  'saltsG',
  'sugarBasisG',
  'ammoniumNMg',
  'aminoNMg',
  'broughtAmmoniumNMg',
  'broughtAminoNMg',
  'acidG',
  'so2Mg',
  'sorbicMg',
  'guardSo2Mg',
  'guardSorbicMg',
] as const satisfies readonly (keyof InVessel)[];

/** The liquid alone, this share of it: pulp and yeast stay where they are, and it has no past. */
export function shareOf(there: Readonly<InVessel>, share: number): InVessel {
  const none = { insolubleG: 0, yeastG: 0, co2G: 0, removedG: 0, pouredG: 0 };
  const taken: InVessel = { ...there, ...none };
  for (const field of DISSOLVED) taken[field] *= share;
  return taken;
}

/** Pours masses in; what sugar they bring is sugar that this liquid held. */
export function pourIn(there: InVessel, brought: Readonly<Masses>, massG: number): void {
  pour(there, brought);
  there.sugarBasisG += brought.sugarG;
  there.pouredG += massG;
}

export const pourWater = (there: InVessel, waterG: number): void => pourIn(there, { ...noMasses(), waterG }, waterG);

export function pourSalt(there: InVessel, massG: number): void {
  there.saltsG += massG;
  there.pouredG += massG;
}

/** Takes this fraction of everything dissolved out of the vessel. */
export function removeFraction(there: InVessel, fraction: number): void {
  const before = contentsG(there);
  const keep = 1 - Math.min(1, Math.max(0, fraction));
  for (const field of DISSOLVED) there[field] *= keep;
  there.removedG += before - contentsG(there);
}

/** Takes pulp out with the liquid that clings to it; what is lifted beyond the pulp's own mass is liquid. */
export function strainPulp(there: InVessel, massG: number, share: number): void {
  const pulpG = Math.min(there.insolubleG * share, massG);
  there.insolubleG -= pulpG;
  there.removedG += pulpG;
  const liquidG = contentsG(there) - there.yeastG - there.insolubleG;
  if (liquidG > 0) removeFraction(there, (massG - pulpG) / liquidG);
}
