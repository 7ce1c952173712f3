import { choice, massG, nameShape, number, record, say } from '../../quantities/index.ts';
import { requireLiquid } from '../believed.ts';
import { happening } from '../happening.ts';
import { pourSalt } from '../inVessel.ts';
import { FINING_IDS } from '../kinds.ts';
import { asItIs, originFields } from '../origin.ts';

/** Finings and enzymes: they do their work and fall out, too little to move the gravity. */
export const fining = happening({
  shape: record({ ...originFields, fining: choice(...FINING_IDS), name: nameShape, massG: number(0, 2000, [0, 20]) }),
  believe: (ledger) => requireLiquid(ledger, 'The vessel is empty; there is nothing to fine.'),
  apply: ({ liquid, history }, { fining: id, name, massG: grams }, { at }) => {
    pourSalt(liquid, grams);
    history.finings.push({ at, fining: id, name, massG: grams });
  },
  says: (payload) => say`${massG(payload.massG)} ${payload.name}`,
  corrects: [
    { name: 'massG', label: 'how much', kind: 'smallMass' },
    { name: 'name', label: 'of what', kind: 'text' },
  ],
  takes: asItIs,
});
