import { SORBIC_IN_SORBATE } from '../../preservatives/index.ts';
import { massG, number, record, say } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { pourSalt } from '../inVessel.ts';
import { asItIs, originFields } from '../origin.ts';

export const sorbate = happening({
  shape: record({ ...originFields, massG: number(0, 1000, [0, 5]) }),
  apply: ({ liquid, history }, { massG }, { at }) => {
    const sorbicMg = massG * SORBIC_IN_SORBATE * 1000;
    pourSalt(liquid, massG);
    liquid.sorbicMg += sorbicMg;
    liquid.guardSorbicMg += sorbicMg;
    history.sorbates.push({ at, massG });
  },
  says: (payload) => say`${massG(payload.massG)} potassium sorbate`,
  corrects: [{ name: 'massG', label: 'potassium sorbate', kind: 'smallMass' }],
  takes: asItIs,
});
