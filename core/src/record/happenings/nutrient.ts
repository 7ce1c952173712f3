import { choice, massG, maybe, nameShape, number, record, say, whole } from '../../quantities/index.ts';
import { requireLiquid } from '../believed.ts';
import { happening } from '../happening.ts';
import { pourSalt } from '../inVessel.ts';
import { NUTRIENT_IDS } from '../kinds.ts';
import { asItIs, originFields } from '../origin.ts';
import { nutrientOf } from '../salts.ts';

/** Urea itself holds 46.6 %: no product holds more. */
const nitrogen = number(0, 0.47);
export const ownNutrientShape = record(
  { name: nameShape, ammoniumN: nitrogen, aminoN: nitrogen },
  { holds: ({ ammoniumN, aminoN }) => ammoniumN + aminoN <= nitrogen.high, says: 'No nutrient holds more nitrogen than urea, 47 %.' },
);

export const nutrient = happening({
  shape: record({
    ...originFields,
    source: choice(...NUTRIENT_IDS),
    own: maybe(ownNutrientShape),
    massG: number(0, 5000, [0, 20]),
    /** Which dose of the plan it was. */
    dose: maybe(whole(1, 20)),
  }),
  believe: (ledger) => requireLiquid(ledger, 'The vessel is empty; there is nothing to feed.'),
  apply: ({ liquid, history }, { source, massG, dose, own }, { at }) => {
    const { name, ammoniumN, aminoN } = nutrientOf({ source, own });
    const [ammoniumNMg, aminoNMg] = [massG * ammoniumN * 1000, massG * aminoN * 1000];
    pourSalt(liquid, massG);
    liquid.ammoniumNMg += ammoniumNMg;
    liquid.aminoNMg += aminoNMg;
    history.doses.push({ at, source, name, massG, ammoniumNMg, aminoNMg, dose: dose ?? null });
  },
  says: (payload) => say`fed ${massG(payload.massG)} ${nutrientOf(payload).name}`,
  corrects: [{ name: 'massG', label: 'nutrient', kind: 'smallMass' }],
  takes: asItIs,
});
