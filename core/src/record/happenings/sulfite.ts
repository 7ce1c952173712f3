import { SO2_IN, SULFITE_SALTS } from '../../preservatives/index.ts';
import { choice, massG, number, record, say } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { pourSalt } from '../inVessel.ts';
import { asItIs, originFields } from '../origin.ts';

export const sulfite = happening({
  shape: record({ ...originFields, salt: choice(...SULFITE_SALTS), massG: number(0, 1000, [0, 5]) }),
  apply: ({ liquid, history }, { salt, massG }, { at }) => {
    const so2Mg = massG * SO2_IN[salt] * 1000;
    pourSalt(liquid, massG);
    liquid.so2Mg += so2Mg;
    liquid.guardSo2Mg += so2Mg;
    history.sulfites.push({ at, salt, massG });
  },
  says: (payload) => say`${massG(payload.massG)} ${payload.salt} metabisulfite`,
  corrects: [{ name: 'massG', label: 'metabisulfite', kind: 'smallMass' }],
  takes: asItIs,
});
