import { fedEvent, productName } from '@hollow-bell/core/nitrogen';
import type { Product } from '@hollow-bell/core/nitrogen';
import { INGREDIENTS, MEAN_HONEY, honeyComposition, kgPerL, pieceG, waterShare } from '@hollow-bell/core/ingredients';
import type { Ingredient, ReferenceIngredient } from '@hollow-bell/core/ingredients';
import { BASE_SALTS, FINING_IDS, NUTRIENTS } from '@hollow-bell/core/record';
import type { BaseSalt, EventContent, FiningId, NutrientId } from '@hollow-bell/core/record';
import type { Ranged } from '@hollow-bell/core/quantities';
import { yeastType } from '@hollow-bell/core/yeast';
import type { OwnYeast } from '@hollow-bell/core/yeast';

/** What a product is for. */
type DipProductKind = 'nutrient' | 'honey' | 'ingredient' | 'yeast' | 'sulfite' | 'sorbate' | 'base' | 'fining' | 'other';

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
  /** kg in a liter of it; null where only a scale tells. */
  kgPerL: number | null;
  /** Of what is counted. */
  pieceG?: Ranged | undefined;
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
  kgPerL: null,
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
  kgPerL: null,
  entry: (massG) => ({
    kind: 'yeast',
    payload: { yeastId, name, massG, ...(own === undefined ? {} : { own }), ...(lotId === undefined ? {} : { lotId }) },
  }),
});

/** Other words for what the table calls by one. */
const ALIASES: Record<string, readonly string[]> = {
  'table sugar': ['sugar', 'white sugar'],
  'oak chips': ['oak'],
  'grape tannin': ['tannin'],
  'black tea leaves': ['tea', 'black tea', 'tea bags', 'teabags'],
  'cinnamon bark': ['cinnamon', 'cinnamon sticks'],
  'vanilla pods': ['vanilla', 'vanilla beans'],
  'oranges, peeled': ['oranges'],
};
/** A leveled teaspoon of a powder, g (our estimates by bulk density; products differ by a third). */
const GRAMS_PER_TSP: Record<string, number> = {
  'tartaric acid': 4.6,
  'malic acid': 4.3,
  'citric acid': 4.5,
  'acid blend': 4.5,
  'grape tannin': 2.2,
  'table sugar': 4.2,
};

/** An ingredient of the table or a lot of the maker's. */
export function ingredientProduct(ingredient: Ingredient, isOwn: boolean, lotId?: string): DipProduct {
  const { name, family, makes, composition, sugarSpread, traits } = ingredient;
  const minded = traits === undefined ? {} : { traits };
  const origin = lotId === undefined ? {} : { lotId };
  return {
    name,
    aliases: family === 'honey' ? ['honey'] : (ALIASES[name] ?? []),
    kind: family === 'honey' ? 'honey' : 'ingredient',
    isOwn,
    gPerTsp: GRAMS_PER_TSP[name] ?? null,
    kgPerL: kgPerL(ingredient),
    pieceG: pieceG((ingredient as Partial<ReferenceIngredient>).id ?? ''),
    entry: (massG) =>
      family === 'honey'
        ? {
            kind: 'honey',
            payload: { name, massG, moisture: waterShare(composition), unfermentable: composition.unfermentable, ...origin },
          }
        : { kind: 'ingredient', payload: { name, family, makes, massG, composition, sugarSpread, ...minded, ...origin } },
  };
}

const common = (name: string, kind: DipProductKind, aliases: readonly string[], entry: DipProduct['entry']): DipProduct => ({
  name,
  aliases,
  kind,
  isOwn: false,
  gPerTsp: null,
  kgPerL: null,
  entry,
});

const salt = (kind: BaseSalt, aliases: readonly string[]): DipProduct =>
  common(BASE_SALTS[kind].name, 'base', aliases, (massG) => ({ kind: 'base', payload: { salt: kind, massG } }));

/** Other words for finings; what comes as a liquid has its density, kg/L (kieselsol 30 %: our estimate). */
const FINING_WORDS: Partial<Record<FiningId, { aliases: readonly string[]; kgPerL?: number }>> = {
  'pectic enzyme': { aliases: ['enzyme', 'pectinase'] },
  kieselsol: { aliases: ['silica sol'], kgPerL: 1.2 },
  chitosan: { aliases: ['chitosan solution'], kgPerL: 1 },
  carbon: { aliases: ['charcoal', 'activated carbon'] },
  other: { aliases: ['finings'] },
};
const fining = (id: FiningId): DipProduct => {
  const name = id === 'other' ? 'finings' : id;
  const words = FINING_WORDS[id];
  const product = common(name, 'fining', words?.aliases ?? [], (massG) => ({ kind: 'fining', payload: { fining: id, name, massG } }));
  return { ...product, kgPerL: words?.kgPerL ?? null };
};

const MIXED_HONEY = {
  family: 'honey',
  makes: 'honey',
  composition: honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable),
  sugarSpread: 0,
} as const;

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
    ingredientProduct({ ...MIXED_HONEY, name: 'honey' }, false),
    ...INGREDIENTS.filter(({ id }) => id !== 'honey').map((row) => ingredientProduct(row, false)),
    ...(planned === null ? [] : [yeastProduct(planned.own?.name ?? yeastType(planned.yeastId).name, planned, false)]),
    ...FINING_IDS.map(fining),
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
