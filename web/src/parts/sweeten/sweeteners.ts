import type { ShelfItem } from '@hollow-bell/contract';
import { INGREDIENTS, honeyName, waterShare } from '@hollow-bell/core/ingredients';
import type { Family, Ingredient } from '@hollow-bell/core/ingredients';
import type { EventContent } from '@hollow-bell/core/record';

/** What may sweeten or balance a mead: a lot of the shelf, or a row of the table. */
export interface Sweetener extends Ingredient {
  key: string;
  lotId?: string;
}

/** What sweetens. */
export const SWEET: readonly Family[] = ['honey', 'syrup', 'sugar', 'juice', 'fruit', 'sweetener'];
/** What balances it. */
export const BALANCE: readonly Family[] = ['acid', 'tannin'];

/** The shelf's own first, then the table. */
export function sweetenersOf(lots: readonly ShelfItem[], families: readonly Family[]): Sweetener[] {
  const own = lots.flatMap(({ id, name, detail }): Sweetener[] =>
    detail.kind === 'ingredient' && families.includes(detail.family)
      ? [
          {
            key: id,
            lotId: id,
            name,
            family: detail.family,
            makes: detail.makes,
            composition: detail.composition,
            sugarSpread: detail.sugarSpread,
            traits: detail.traits,
          },
        ]
      : [],
  );
  const table = INGREDIENTS.filter(({ family }) => families.includes(family)).map((row): Sweetener => ({ ...row, key: `table ${row.id}` }));
  return [...own, ...table];
}

/** As one says it. */
export const toldAs = ({ family, name }: Pick<Ingredient, 'family' | 'name'>): string => (family === 'honey' ? honeyName(name) : name);

/** So many grams of it, as the record has them. */
export function pouredEvent({ family, name, makes, composition, sugarSpread, lotId, traits }: Sweetener, massG: number): EventContent {
  const lot = lotId === undefined ? {} : { lotId };
  return family === 'honey'
    ? { kind: 'honey', payload: { name, massG, moisture: waterShare(composition), unfermentable: composition.unfermentable, ...lot } }
    : {
        kind: 'ingredient',
        payload: {
          name,
          family,
          makes,
          massG,
          composition: { ...composition },
          sugarSpread,
          ...lot,
          ...(traits === undefined ? {} : { traits }),
        },
      };
}

/** Whether yeast finds nothing to eat in it. */
export const isUnfermentable = ({ composition }: Pick<Ingredient, 'composition'>): boolean => composition.sugar <= 0;
