import { OTHER_FAMILIES, checkComposition, compositionShape, styleMarkShape, traitsShape } from '../../ingredients/index.ts';
import { choice, massG, maybe, nameShape, number, record, say, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { asItIs, heatedField, originFields } from '../origin.ts';
import { pourIngredient } from '../pourIngredient.ts';

/** Anything but honey that brings sugar, acid, flavor or pulp. */
export const ingredient = happening({
  shape: record({
    ...originFields,
    name: nameShape,
    family: choice(...OTHER_FAMILIES),
    makes: styleMarkShape,
    massG: number(0, 200_000, [0, 3000]),
    composition: compositionShape,
    /** 10–90 % range of its sugar, ± as a share of it. */
    sugarSpread: number(0, 1),
    /** Days after which its bag comes out. */
    bagDays: maybe(whole(1, 120)),
    /** What is to be minded about it. */
    traits: maybe(traitsShape),
    heated: heatedField,
  }),
  believe: (_, { name, family, composition }) => checkComposition(name, family, composition),
  apply: pourIngredient,
  says: (payload) => say`poured ${massG(payload.massG)} ${payload.name}`,
  corrects: [
    { name: 'massG', label: 'how much', kind: 'mass' },
    { name: 'name', label: 'of what', kind: 'text' },
  ],
  takes: asItIs,
});
