import { choice, massG, number, record, say } from '../../quantities/index.ts';
import { requireLiquid } from '../believed.ts';
import { happening } from '../happening.ts';
import { pourSalt } from '../inVessel.ts';
import { BASE_SALT_IDS } from '../kinds.ts';
import { asItIs, originFields } from '../origin.ts';
import { BASE_SALTS, TARTARIC_G_PER_EQUIVALENT } from '../salts.ts';

/** Potassium carbonate or bicarbonate, against a pH that is too low. */
export const base = happening({
  shape: record({ ...originFields, salt: choice(...BASE_SALT_IDS), massG: number(0, 2000, [0, 5]) }),
  believe: (ledger) => requireLiquid(ledger, 'The vessel is empty; there is no pH to raise.'),
  apply: ({ liquid, history }, { salt, massG }, { at }) => {
    pourSalt(liquid, massG);
    const neutralizedG = (massG / BASE_SALTS[salt].gPerEquivalent) * TARTARIC_G_PER_EQUIVALENT;
    liquid.acidG = Math.max(0, liquid.acidG - neutralizedG);
    history.bases.push({ at, salt, massG });
  },
  says: (payload) => say`${massG(payload.massG)} ${BASE_SALTS[payload.salt].name}`,
  corrects: [{ name: 'massG', label: 'potassium salt', kind: 'smallMass' }],
  takes: asItIs,
});
