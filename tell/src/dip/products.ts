import { fedEvent, productName } from '@hollow-bell/core/nitrogen';
import type { Product } from '@hollow-bell/core/nitrogen';
import { INGREDIENTS, MEAN_HONEY, waterShare } from '@hollow-bell/core/ingredients';
import type { Ingredient } from '@hollow-bell/core/ingredients';
import { BASE_SALTS, NUTRIENTS } from '@hollow-bell/core/record';
import type { BaseSalt, EventContent, NutrientId } from '@hollow-bell/core/record';
import { yeastType } from '@hollow-bell/core/yeast';
import type { OwnYeast } from '@hollow-bell/core/yeast';

/** What a product is for; finings and oak have no entry of their own yet. */
type DipProductKind = 'nutrient' | 'honey' | 'ingredient' | 'yeast' | 'sulfite' | 'sorbate' | 'base' | 'other';

/** Something that a line may name, the maker's own or one that everybody knows. */
export interface DipProduct {
  name: string;
  /** Other words for it. */
  aliases: readonly string[];
  kind: DipProductKind;
  isOwn: boolean;
  /** g in a leveled teaspoon, a tablet, a packet; null or absent where nobody knows. */
  gPerTsp: number | null;
  gPerTablet?: number | undefined;
  gPerPacket?: number | undefined;
  /** What so many grams of it write; null where there is no entry for it yet. */
  entry: ((massG: number, dose?: number) => EventContent) | null;
}

const NUTRIENT_ALIASES: Partial<Record<NutrientId, readonly string[]>> = {
  dap: ['dap'],
  organic: ['organic'],
  complex: ['complex'],
  cutDap: ['cut dap'],
  noAmmonium: ['ammonium free mix', 'ammonium free'],
  hulls: ['hulls'],
  rehydration: ['rehydration'],
};

/** A nutrient, the house's own or a kind. */
export const nutrientProduct = (product: Product, isOwn: boolean): DipProduct => ({
  name: productName(product),
  aliases: isOwn ? [] : (NUTRIENT_ALIASES[product.source] ?? []),
  kind: 'nutrient',
  isOwn,
  gPerTsp: product.gPerTeaspoon ?? (isOwn ? null : NUTRIENTS[product.source].gPerTeaspoon),
  entry: (massG, dose) => fedEvent({ product, massG }, dose),
});

/** A yeast by its type, with the packet's own figures. */
export const yeastProduct = (
  name: string,
  { yeastId, own, lotId }: { yeastId: string; own?: OwnYeast | undefined; lotId?: string | undefined },
  isOwn: boolean,
): DipProduct => ({
  name,
  aliases: ['yeast'],
  kind: 'yeast',
  isOwn,
  gPerTsp: null,
  entry: (massG) => ({
    kind: 'yeast',
    payload: { yeastId, name, massG, ...(own === undefined ? {} : { own }), ...(lotId === undefined ? {} : { lotId }) },
  }),
});

/** An ingredient of the table or a lot of the maker's. */
export function ingredientProduct(ingredient: Ingredient, isOwn: boolean, lotId?: string): DipProduct {
  const { name, family, makes, composition, sugarSpread } = ingredient;
  const origin = lotId === undefined ? {} : { lotId };
  return {
    name,
    aliases: family === 'honey' ? ['honey'] : [],
    kind: family === 'honey' ? 'honey' : 'ingredient',
    isOwn,
    gPerTsp: null,
    entry: (massG) =>
      family === 'honey'
        ? {
            kind: 'honey',
            payload: { name, massG, moisture: waterShare(composition), unfermentable: composition.unfermentable, ...origin },
          }
        : { kind: 'ingredient', payload: { name, family, makes, massG, composition, sugarSpread, ...origin } },
  };
}

const common = (name: string, kind: DipProductKind, aliases: readonly string[], entry: DipProduct['entry']): DipProduct => ({
  name,
  aliases,
  kind,
  isOwn: false,
  gPerTsp: null,
  entry,
});

const salt = (kind: BaseSalt, aliases: readonly string[]): DipProduct =>
  common(BASE_SALTS[kind].name, 'base', aliases, (massG) => ({ kind: 'base', payload: { salt: kind, massG } }));

/** Things that are known by name and have no entry yet: they are asked about. */
const WITHOUT_ENTRY = [
  'bentonite',
  'gelatin',
  'isinglass',
  'kieselsol',
  'chitosan',
  'casein',
  'egg white',
  'finings',
  'pectic enzyme',
  'enzyme',
  'oak',
];

/**
 * What everybody knows by name: nutrients, sulfite, sorbate, carbonates, the table's ingredients, and the yeast that the plan names.
 */
export function commonProducts(planned: { yeastId: string; own?: OwnYeast | undefined; lotId?: string | undefined } | null): DipProduct[] {
  const kinds = (Object.keys(NUTRIENTS) as NutrientId[]).filter((source) => source !== 'own');
  return [
    ...kinds.map((source) => nutrientProduct({ source }, false)),
    common('potassium metabisulfite', 'sulfite', ['sulfite', 'sulphite', 'metabisulfite', 'metabisulphite', 'meta', 'k meta'], (massG) => ({
      kind: 'sulfite',
      payload: { salt: 'potassium', massG },
    })),
    common('sodium metabisulfite', 'sulfite', [], (massG) => ({ kind: 'sulfite', payload: { salt: 'sodium', massG } })),
    common('sulfite tablets', 'sulfite', ['tablets', 'campden', 'campden tablets'], (massG) => ({
      kind: 'sulfite',
      payload: { salt: 'potassium', massG },
    })),
    common('potassium sorbate', 'sorbate', ['sorbate'], (massG) => ({ kind: 'sorbate', payload: { massG } })),
    salt('bicarbonate', ['bicarbonate', 'bicarb']),
    salt('carbonate', ['carbonate']),
    common('honey', 'honey', [], (massG) => ({
      kind: 'honey',
      payload: { name: 'honey', massG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
    })),
    ...INGREDIENTS.filter(({ id }) => id !== 'honey' && id !== 'oak').map((row) => ingredientProduct(row, false)),
    ...(planned === null ? [] : [yeastProduct(planned.own?.name ?? yeastType(planned.yeastId).name, planned, false)]),
    ...WITHOUT_ENTRY.map((name) => common(name, 'other', [], null)),
  ];
}

/** Singular and plain: “raspberries” and “raspberry” are one. */
const stem = (word: string): string =>
  word
    .replace(/ies$/, 'y')
    .replace(/(ch|sh|x|ss)es$/, '$1')
    .replace(/(?<=[^s])s$/, '');
const SMALL_WORDS = new Set(['of', 'the', 'a', 'an', 'some', 'my', 'more', 'in', 'into', 'with', 'and', 'from', 'pure', 'powder', 'it']);
const namedWords = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N} ]/gu, ' ')
    .split(' ')
    .filter((word) => word !== '' && !SMALL_WORDS.has(word))
    .map(stem);

const LEAST_BEGINNING = 4;
const isBeginning = (asked: string, word: string): boolean => word === asked || (asked.length >= LEAST_BEGINNING && word.startsWith(asked));

/** How well words name a product: 3 whole, 2 by another word for it, 1 by some of its words; 0 not. */
function fit(asked: readonly string[], { name, aliases }: DipProduct): number {
  const whole = namedWords(name);
  const same = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && a.every((word) => b.includes(word));
  if (same(asked, whole)) return 3;
  if (aliases.some((alias) => same(asked, namedWords(alias)))) return 2;
  return asked.every((word) => whole.some((each) => isBeginning(word, each))) ? 1 : 0;
}

/**
 * The products that words may mean, best first: an exact name before another word for it before some of its words, the maker's
 * own before what everybody knows. More than one where it is not sure.
 */
export function productsNamed(text: string, products: readonly DipProduct[]): DipProduct[] {
  const asked = namedWords(text);
  if (asked.length === 0) return [];
  const fits = products.map((product) => ({ product, how: fit(asked, product) })).filter(({ how }) => how > 0);
  /** One of the maker's own of the very kind that is meant goes before the common one. */
  const own = fits.filter(({ product }) => product.isOwn);
  const best = Math.max(0, ...fits.map(({ how }) => how));
  const exactOwn = own.filter(({ how }) => how === 3);
  if (exactOwn.length > 0) return exactOwn.map(({ product }) => product);
  const commonBest = fits.filter(({ how, product }) => how === best && !product.isOwn).map(({ product }) => product);
  const kinds = new Set(commonBest.map(({ kind }) => kind));
  const ownOfKind = own
    .filter(({ product, how }) => how >= 1 && (kinds.size === 0 || kinds.has(product.kind)))
    .map(({ product }) => product);
  if (ownOfKind.length > 0) return ownOfKind;
  return commonBest;
}
