import { fedEvent, productName } from '@hollow-bell/core/nitrogen';
import type { Product } from '@hollow-bell/core/nitrogen';
import { INGREDIENTS, MEAN_HONEY, honeyComposition, kgPerL, pieceG, waterShare } from '@hollow-bell/core/ingredients';
import type { Ingredient, ReferenceIngredient } from '@hollow-bell/core/ingredients';
import { CHEMICAL_IDS, NUTRIENTS, chemicalEntry } from '@hollow-bell/core/record';
import type { ChemicalId, EventContent, NutrientId } from '@hollow-bell/core/record';
import type { Ranged } from '@hollow-bell/core/quantities';
import { YEAST_TYPES, yeastType } from '@hollow-bell/core/yeast';
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
  /** The yeast that the plan names. */
  isPlanned?: true;
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
export const nutrientProduct = (product: Product, isOwn: boolean, gPerPacket?: number): DipProduct => ({
  name: productName(product),
  aliases: isOwn ? [] : (NUTRIENT_ALIASES[product.source] ?? []),
  kind: 'nutrient',
  isOwn,
  gPerTsp: product.gPerTeaspoon ?? (isOwn ? null : NUTRIENTS[product.source].gPerTeaspoon),
  gPerPacket,
  kgPerL: null,
  entry: (massG, dose) => fedEvent({ product, massG }, dose),
});

/** A yeast by its type, with the packet's own figures. */
export const yeastProduct = (
  name: string,
  { yeastId, own, lotId }: { yeastId: string; own?: OwnYeast | undefined; lotId?: string | undefined },
  isOwn: boolean,
  gPerPacket?: number,
): DipProduct => ({
  name,
  aliases: ['yeast'],
  kind: 'yeast',
  isOwn,
  gPerTsp: null,
  gPerPacket,
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
  'black tea leaves': ['tea', 'black tea', 'tea bags', 'black tea bags', 'teabags'],
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

interface Words {
  kind: DipProductKind;
  aliases?: readonly string[];
  /** Of what comes as a liquid, kg/L. */
  kgPerL?: number;
}
/** Other words for what is kept in jars. Kieselsol is sold at 30 % (its density: our estimate). */
const CHEMICAL_WORDS: Partial<Record<ChemicalId, Words>> = {
  'potassium metabisulfite': { kind: 'sulfite', aliases: ['sulfite', 'sulphite', 'metabisulfite', 'metabisulphite', 'meta', 'k meta'] },
  'sodium metabisulfite': { kind: 'sulfite' },
  'potassium sorbate': { kind: 'sorbate', aliases: ['sorbate'] },
  'potassium carbonate': { kind: 'base', aliases: ['carbonate'] },
  'potassium bicarbonate': { kind: 'base', aliases: ['bicarbonate', 'bicarb'] },
  'pectic enzyme': { kind: 'fining', aliases: ['enzyme', 'pectinase'] },
  kieselsol: { kind: 'fining', aliases: ['silica sol'], kgPerL: 1.2 },
  chitosan: { kind: 'fining', aliases: ['chitosan solution'], kgPerL: 1 },
  gelatin: { kind: 'fining', aliases: ['gelatine'] },
  carbon: { kind: 'fining', aliases: ['charcoal', 'activated carbon'] },
};

/** What a jar holds in a spoon, a tablet or a packet. */
interface Measured {
  gPerTeaspoon?: number | undefined;
  gPerTablet?: number | undefined;
  gPerPacket?: number | undefined;
}

/** A powder, salt or fining: the maker's own jar, or what everybody knows by that name. */
export function chemicalProduct(
  id: ChemicalId,
  { name, aliases, lotId, ...per }: Measured & { name?: string; aliases?: readonly string[]; lotId?: string } = {},
): DipProduct {
  const words = CHEMICAL_WORDS[id] ?? { kind: 'fining' as const };
  return {
    name: name ?? (id === 'other' ? 'finings' : id),
    aliases: aliases ?? words.aliases ?? [],
    kind: words.kind,
    isOwn: lotId !== undefined,
    gPerTsp: per.gPerTeaspoon ?? null,
    gPerTablet: per.gPerTablet,
    gPerPacket: per.gPerPacket,
    kgPerL: words.kgPerL ?? null,
    entry: (massG) => withLot(chemicalEntry(id, massG, name), lotId),
  };
}
const withLot = (content: EventContent, lotId: string | undefined): EventContent =>
  lotId === undefined ? content : ({ ...content, payload: { ...content.payload, lotId } } as EventContent);

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
    chemicalProduct('potassium metabisulfite', { name: 'sulfite tablets', aliases: ['tablets', 'campden', 'campden tablets'] }),
    ...CHEMICAL_IDS.map((id) => chemicalProduct(id)),
    ...YEAST_TYPES.filter(({ id }) => id !== planned?.yeastId).map(({ id, name }) => ({
      ...yeastProduct(name, { yeastId: id }, false),
      aliases: [name.replace(/ type$/, ' yeast'), name.replace(/ type$/, '')],
    })),
    ingredientProduct({ ...MIXED_HONEY, name: 'honey' }, false),
    ...INGREDIENTS.filter(({ id }) => id !== 'honey').map((row) => ingredientProduct(row, false)),
    ...(planned === null
      ? []
      : [{ ...yeastProduct(planned.own?.name ?? yeastType(planned.yeastId).name, planned, false), isPlanned: true as const }]),
  ];
}

/** Singular and plain: “raspberries” and “raspberry” are one. */
const stem = (word: string): string =>
  word
    .replace(/ies$/, 'y')
    .replace(/(ch|sh|x|ss)es$/, '$1')
    .replace(/(?<=[^s])s$/, '');
const SMALL_WORDS = new Set([
  'of',
  'the',
  'a',
  'an',
  'some',
  'my',
  'more',
  'in',
  'into',
  'with',
  'and',
  'from',
  'pure',
  'powder',
  'it',
  'frozen',
  'fresh',
  'ripe',
  'crushed',
  'chopped',
  'mashed',
  'thawed',
  'whole',
  'ground',
  'grated',
]);
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
