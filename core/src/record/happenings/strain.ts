import { Refusal, massG, maybe, nameShape, number, record, say } from '../../quantities/index.ts';
import { guessed } from '../assumptions.ts';
import { happening } from '../happening.ts';
import { drippingOf } from '../dripping.ts';
import { strainPulp } from '../inVessel.ts';
import { stepShape } from '../origin.ts';

/** Pulp lifted or pressed out: its mass as it drips, and which share of all the pulp it was. Unweighed it is put by what went in. */
export const strain = happening({
  shape: record({
    massG: maybe(number(0, 200_000, [0, 800])),
    share: number(0, 1, [0.1, 1]),
    of: maybe(nameShape),
    step: maybe(stepShape),
  }),
  believe: ({ liquid }) => {
    if (liquid.insolubleG <= 0) throw new Refusal('There is no pulp in this vessel to lift out.');
  },
  apply: (ledger, { massG: weighedG, share, of }, { at, assumptions }) => {
    strainPulp(ledger.liquid, weighedG ?? guessed(assumptions, drippingOf(ledger, share, of)), share);
    ledger.history.strainedAt = at;
    for (const pour of ledger.history.pours) if (pour.insolubleG > 0 && (of === undefined || pour.name === of)) pour.isOut = true;
  },
  says: (payload) => [
    ...(payload.massG === undefined ? ['lifted the pulp out, unweighed'] : say`lifted ${massG(payload.massG)} of pulp out`),
    payload.of === undefined ? '' : ` (${payload.of})`,
  ],
  corrects: [{ name: 'massG', label: 'pulp, as it dripped', kind: 'mass' }],
});
