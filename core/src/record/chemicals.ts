import { SULFITE_SALTS } from '../preservatives/index.ts';
import type { EventContent } from './events.ts';
import { BASE_SALT_IDS, FINING_IDS } from './kinds.ts';
import { BASE_SALTS } from './salts.ts';

/** What is kept in a jar and goes in by the gram, beside nutrients. */
export const CHEMICAL_IDS = [
  'potassium metabisulfite',
  'sodium metabisulfite',
  'potassium sorbate',
  'potassium carbonate',
  'potassium bicarbonate',
  ...FINING_IDS,
] as const;
export type ChemicalId = (typeof CHEMICAL_IDS)[number];

/** What so many grams of it are in the record. @param name its own, where it is no more than “other” finings */
export function chemicalEntry(id: ChemicalId, massG: number, name: string = id): EventContent {
  const sulfite = SULFITE_SALTS.find((salt) => id === `${salt} metabisulfite`);
  if (sulfite !== undefined) return { kind: 'sulfite', payload: { salt: sulfite, massG } };
  const base = BASE_SALT_IDS.find((salt) => id === BASE_SALTS[salt].name);
  if (base !== undefined) return { kind: 'base', payload: { salt: base, massG } };
  const fining = FINING_IDS.find((each) => each === id);
  if (fining !== undefined) return { kind: 'fining', payload: { fining, name: fining === 'other' ? name : fining, massG } };
  return { kind: 'sorbate', payload: { massG } };
}

/** Which chemical an entry is of; null where it is of none. */
export function chemicalOf(content: EventContent): ChemicalId | null {
  switch (content.kind) {
    case 'sulfite':
      return `${content.payload.salt} metabisulfite`;
    case 'sorbate':
      return 'potassium sorbate';
    case 'base':
      return `potassium ${content.payload.salt}`;
    case 'fining':
      return content.payload.fining;
    default:
      return null;
  }
}

/** The one that goes by this very name; undefined where none does. */
export const chemicalCalled = (name: string): ChemicalId | undefined => CHEMICAL_IDS.find((id) => id === name.trim().toLowerCase());
