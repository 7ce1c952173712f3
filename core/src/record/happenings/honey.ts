import { HONEY_MOISTURE, honeyComposition, honeyName } from '../../ingredients/index.ts';
import { massG, nameShape, number, record, say } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { asItIs, heatedField, originFields } from '../origin.ts';
import { pourIngredient } from '../pourIngredient.ts';

export const honey = happening({
  /** `moisture` and `unfermentable` are fractions of the honey's mass; the rest is fermentable sugar. */
  shape: record({
    ...originFields,
    name: nameShape,
    massG: number(0, 200_000, [0, 3000]),
    moisture: number(HONEY_MOISTURE.low, HONEY_MOISTURE.high),
    unfermentable: number(0, 0.3, [0, 0.06]),
    heated: heatedField,
  }),
  apply: (ledger, { name, massG, moisture, unfermentable, heated }, moment) =>
    pourIngredient(
      ledger,
      { name, family: 'honey', massG, composition: honeyComposition(moisture, unfermentable), sugarSpread: 0, heated },
      moment,
    ),
  says: (payload) => say`poured ${massG(payload.massG)} ${honeyName(payload.name)}`,
  corrects: [{ name: 'massG', label: 'honey', kind: 'mass' }],
  takes: asItIs,
});
