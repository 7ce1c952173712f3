import { Refusal, massG, maybe, number, record, say } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { strainPulp } from '../inVessel.ts';
import { stepShape } from '../origin.ts';

/** Pulp lifted or pressed out: its mass as it drips, and which share of all the pulp it was. */
export const strain = happening({
  shape: record({ massG: number(0, 200_000, [0, 800]), share: number(0, 1, [0.1, 1]), step: maybe(stepShape) }),
  believe: ({ liquid }) => {
    if (liquid.insolubleG <= 0) throw new Refusal('There is no pulp in this vessel to lift out.');
  },
  apply: ({ liquid, history }, { massG, share }, { at }) => {
    strainPulp(liquid, massG, share);
    history.strainedAt = at;
  },
  says: (payload) => say`lifted ${massG(payload.massG)} of pulp out`,
  corrects: [{ name: 'massG', label: 'pulp, as it dripped', kind: 'smallMass' }],
});
