import { honeyComposition, juiceComposition } from './composition.ts';
import type { Family, Ingredient, StyleMark, Trait } from './composition.ts';

/**
 * Where a row comes from. `composition`: sugar, fiber and water as national food-composition tables give them (USDA
 * FoodData Central among them), rounded; fiber is taken as the insoluble part, the rest of the dry matter as
 * unfermentable. `definition`: the pure substance. `estimate`: ours. Acids, nitrogen and spreads are our estimates throughout.
 */
export type RowSource = 'composition' | 'bulletin' | 'definition' | 'estimate';

export interface ReferenceIngredient extends Ingredient {
  id: string;
  source: RowSource;
}

export const SOURCE_NAMES: Record<RowSource, string> = {
  composition: 'public food-composition tables, rounded; acid, nitrogen and spread are our estimates',
  bulletin: 'White and others, USDA Tech. Bull. 1261 (1962), mean of US honeys',
  definition: 'the pure substance',
  estimate: 'our estimate; enter your own lot’s figures',
};

type Row = [
  id: string,
  name: string,
  makes: StyleMark,
  sugarPct: number,
  unfermentablePct: number,
  insolublePct: number,
  acidGPerKg: number,
  aminoNMgPerKg: number,
  spread: number,
  source: RowSource,
];

function rows(family: Family, table: readonly Row[]): ReferenceIngredient[] {
  return table.map(([id, name, makes, sugar, unfermentable, insoluble, acidGPerKg, aminoNMgPerKg, sugarSpread, source]) => ({
    id,
    name,
    family,
    makes,
    sugarSpread,
    source,
    composition: {
      sugar: sugar / 100,
      unfermentable: unfermentable / 100,
      insoluble: insoluble / 100,
      acidGPerKg,
      aminoNMgPerKg,
      ammoniumNMgPerKg: aminoNMgPerKg * AMMONIUM_PER_AMINO,
    },
  }));
}

/** Ammonium nitrogen beside amino nitrogen in ripe fruit (our estimate). */
const AMMONIUM_PER_AMINO = 0.15;

/** Moisture and unfermentable part of honeys, %. Their spread is the ledger's moisture range, not a share of the sugar. */
const HONEYS: [id: string, name: string, moisturePct: number, unfermentablePct: number, source: RowSource, makes?: StyleMark][] = [
  ['honey', 'honey, mixed', 17.2, 3.2, 'bulletin'],
  ['honey-linden', 'linden honey', 17.1, 3.2, 'estimate'],
  ['honey-heather', 'heather honey', 19, 4, 'estimate'],
  ['honey-borage', 'borage honey', 17, 3, 'estimate'],
  ['honey-acacia', 'black-locust honey', 16.8, 3, 'estimate'],
  ['honey-buckwheat', 'buckwheat honey', 18, 4, 'estimate'],
  ['honey-forest', 'honeydew honey', 16.3, 9, 'estimate'],
  ['honey-caramel', 'caramelized honey', 14, 9, 'estimate', 'caramel'],
];

const JUICES: [id: string, name: string, makes: StyleMark, brix: number, acidGPerKg: number, aminoNMgPerKg: number, spread: number][] = [
  ['juice-apple', 'apple juice', 'apple', 12, 6, 70, 0.12],
  ['juice-grape-white', 'white grape juice', 'grape', 18, 7, 140, 0.15],
  ['juice-grape-red', 'red grape juice', 'grape', 18, 7, 140, 0.15],
  ['juice-pear', 'pear juice', 'fruit', 12.5, 4, 50, 0.12],
  ['juice-cherry', 'sour-cherry juice', 'fruit', 14, 18, 150, 0.12],
  ['juice-blackcurrant', 'blackcurrant juice', 'fruit', 14, 34, 100, 0.15],
  ['juice-elderberry', 'elderberry juice', 'fruit', 10, 10, 120, 0.2],
  ['juice-orange', 'orange juice', 'fruit', 11, 9, 250, 0.1],
  ['juice-pomegranate', 'pomegranate juice', 'fruit', 15, 12, 60, 0.12],
  ['juice-lemon', 'lemon juice', 'fruit', 8, 60, 100, 0.15],
  ['juice-birch', 'birch sap', 'none', 1, 0.5, 10, 0.4],
];

/** Some seventy ingredients to begin from; every value is the maker's to change for a lot of their own. */
/** What is to be minded about some of them. */
const TRAITS_OF: Record<string, readonly Trait[]> = {
  apricot: ['pits'],
  'cherry-sour': ['pits'],
  'cherry-sweet': ['pits'],
  peach: ['pits'],
  plum: ['pits'],
  elderberry: ['elder'],
  raisin: ['raisins'],
  orange: ['citrus'],
  'zest-orange': ['citrus'],
  'zest-lemon': ['citrus'],
  lactose: ['milk'],
  xylitol: ['harms dogs'],
};

const ROWS: readonly ReferenceIngredient[] = [
  ...HONEYS.map(([id, name, moisture, unfermentable, source, makes = 'honey']): ReferenceIngredient => ({
    id,
    name,
    family: 'honey',
    makes,
    sugarSpread: 0,
    source,
    composition: honeyComposition(moisture / 100, unfermentable / 100),
  })),
  ...rows('fruit', [
    ['apple', 'apples', 'apple', 10.4, 1.6, 2.4, 6, 50, 0.2, 'composition'],
    ['apricot', 'apricots', 'fruit', 9.2, 2.4, 2, 12, 100, 0.25, 'composition'],
    ['blackberry', 'blackberries', 'fruit', 4.9, 1.6, 5.3, 12, 80, 0.33, 'composition'],
    ['blackcurrant', 'blackcurrants', 'fruit', 7.5, 6, 4.5, 32, 100, 0.33, 'estimate'],
    ['blueberry', 'blueberries', 'fruit', 10, 3.4, 2.4, 8, 60, 0.25, 'composition'],
    ['cherry-sour', 'sour cherries', 'fruit', 8.5, 3.8, 1.6, 18, 150, 0.25, 'composition'],
    ['cherry-sweet', 'sweet cherries', 'fruit', 12.8, 2.8, 2.1, 7, 150, 0.2, 'composition'],
    ['cranberry', 'cranberries', 'fruit', 4.3, 4.8, 3.6, 28, 40, 0.33, 'composition'],
    ['elderberry', 'elderberries, ripe', 'fruit', 8, 5, 7, 11, 120, 0.33, 'estimate'],
    ['fig', 'figs', 'fruit', 16.3, 1.7, 2.9, 3, 80, 0.25, 'composition'],
    ['gooseberry', 'gooseberries', 'fruit', 6, 2, 4.3, 22, 70, 0.33, 'estimate'],
    ['grape', 'grapes', 'grape', 15.8, 2.5, 1.2, 7, 140, 0.2, 'composition'],
    ['kiwi', 'kiwifruit', 'fruit', 9, 4.5, 3, 15, 120, 0.25, 'composition'],
    ['mango', 'mangoes', 'fruit', 13.7, 1.4, 1.6, 5, 80, 0.25, 'composition'],
    ['melon', 'melon', 'fruit', 7.9, 1, 0.9, 2, 100, 0.25, 'composition'],
    ['orange', 'oranges, peeled', 'fruit', 9.4, 1.4, 2.4, 9, 250, 0.2, 'composition'],
    ['passionfruit', 'passion fruit', 'fruit', 11.2, 5.5, 10.4, 30, 150, 0.3, 'composition'],
    ['peach', 'peaches', 'fruit', 8.4, 1.2, 1.5, 6, 100, 0.25, 'composition'],
    ['pear', 'pears', 'fruit', 9.8, 3.1, 3.1, 3, 40, 0.2, 'composition'],
    ['pineapple', 'pineapple', 'fruit', 9.9, 2.7, 1.4, 8, 100, 0.2, 'composition'],
    ['plum', 'plums', 'fruit', 9.9, 1.5, 1.4, 12, 80, 0.25, 'composition'],
    ['quince', 'quinces', 'fruit', 10, 4.3, 1.9, 9, 40, 0.3, 'estimate'],
    ['raspberry', 'raspberries', 'fruit', 4.4, 3.3, 6.5, 16, 100, 0.33, 'composition'],
    ['redcurrant', 'redcurrants', 'fruit', 7.4, 4.3, 4.3, 24, 80, 0.3, 'composition'],
    ['rhubarb', 'rhubarb stalks', 'fruit', 1.1, 3.5, 1.8, 15, 60, 0.4, 'composition'],
    ['rosehip', 'rose hips', 'fruit', 2.6, 14, 24, 18, 60, 0.4, 'composition'],
    ['strawberry', 'strawberries', 'fruit', 4.9, 2.1, 2, 9, 80, 0.33, 'composition'],
  ]),
  ...JUICES.map(([id, name, makes, brix, acid, amino, sugarSpread]): ReferenceIngredient => ({
    id,
    name,
    family: 'juice',
    makes,
    sugarSpread,
    source: 'estimate',
    composition: juiceComposition(brix, acid, amino),
  })),
  ...rows('dried', [
    ['raisin', 'raisins', 'grape', 63, 18, 3.7, 15, 60, 0.1, 'composition'],
    ['date', 'dates', 'fruit', 63.4, 8, 8, 3, 60, 0.1, 'composition'],
    ['apricot-dried', 'dried apricots', 'fruit', 53.4, 8.4, 7.3, 25, 100, 0.15, 'composition'],
    ['prune', 'prunes', 'fruit', 38, 24, 7.1, 15, 80, 0.15, 'composition'],
    ['fig-dried', 'dried figs', 'fruit', 48, 12, 9.8, 6, 80, 0.15, 'composition'],
  ]),
  ...rows('sugar', [
    ['sugar', 'table sugar', 'none', 99.9, 0, 0, 0, 0, 0, 'definition'],
    ['dextrose', 'dextrose, monohydrate', 'none', 90.9, 0, 0, 0, 0, 0.01, 'definition'],
    ['sugar-brown', 'brown sugar', 'none', 94, 3, 0, 0, 0, 0.02, 'composition'],
  ]),
  ...rows('syrup', [
    ['maple', 'maple syrup', 'maple', 60.5, 6.5, 0, 1, 20, 0.12, 'composition'],
    ['agave', 'agave syrup', 'none', 68, 8.5, 0, 0, 0, 0.08, 'composition'],
    ['molasses', 'molasses', 'none', 60, 17, 0, 5, 50, 0.15, 'estimate'],
    ['invert', 'invert syrup', 'none', 78, 2, 0, 0, 0, 0.05, 'estimate'],
    ['elderflower', 'elderflower syrup', 'spice', 60, 1, 0, 10, 0, 0.15, 'estimate'],
  ]),
  ...rows('malt', [
    ['malt-dry', 'dry malt extract, pale', 'malt', 62, 34, 0, 0, 1000, 0.1, 'estimate'],
    ['malt-liquid', 'liquid malt extract, pale', 'malt', 51, 29, 0, 0, 800, 0.12, 'estimate'],
    ['malt-dark', 'dry malt extract, dark', 'malt', 52, 44, 0, 0, 900, 0.12, 'estimate'],
  ]),
  ...rows('zest', [
    ['zest-orange', 'orange zest', 'spice', 3, 10, 10, 5, 0, 0.4, 'estimate'],
    ['zest-lemon', 'lemon zest', 'spice', 4, 5, 10, 5, 0, 0.4, 'estimate'],
  ]),
  ...rows('tea', [
    ['tea-black', 'black tea leaves', 'none', 0, 30, 65, 10, 0, 0, 'estimate'],
    ['hibiscus', 'hibiscus calyces', 'spice', 5, 30, 50, 150, 0, 0.4, 'estimate'],
  ]),
  ...rows('tannin', [
    ['tannin', 'grape tannin', 'none', 0, 95, 0, 0, 0, 0, 'estimate'],
    ['oak', 'oak chips', 'none', 0, 5, 87, 0, 0, 0, 'estimate'],
    ['oak-cubes', 'oak cubes', 'none', 0, 4, 88, 0, 0, 0, 'estimate'],
  ]),
  ...rows('spice', [
    ['ginger', 'ginger root', 'spice', 1.7, 14, 2, 0, 0, 0.3, 'composition'],
    ['cinnamon', 'cinnamon bark', 'spice', 2, 15, 70, 0, 0, 0.3, 'estimate'],
    ['clove', 'cloves', 'spice', 2, 20, 60, 0, 0, 0.3, 'estimate'],
    ['vanilla', 'vanilla pods', 'spice', 12, 20, 40, 0, 0, 0.3, 'estimate'],
    ['cardamom', 'cardamom pods', 'spice', 1, 20, 65, 0, 0, 0.3, 'estimate'],
    ['juniper', 'juniper berries', 'spice', 25, 15, 40, 0, 0, 0.3, 'estimate'],
  ]),
  ...rows('herb', [
    ['lavender', 'lavender flowers', 'spice', 0, 20, 70, 0, 0, 0, 'estimate'],
    ['mint', 'mint leaves', 'spice', 0, 8, 7, 0, 0, 0, 'estimate'],
    ['hops', 'hops, dried', 'spice', 2, 28, 60, 0, 0, 0, 'estimate'],
    ['elderflower-dried', 'elderflowers, dried', 'spice', 2, 25, 63, 0, 0, 0, 'estimate'],
    ['chamomile', 'chamomile, dried', 'spice', 2, 25, 63, 0, 0, 0, 'estimate'],
    ['rose', 'rose petals, fresh', 'spice', 3, 8, 5, 0, 0, 0, 'estimate'],
  ]),
  ...rows('acid', [
    ['acid-tartaric', 'tartaric acid', 'none', 0, 100, 0, 1000, 0, 0, 'definition'],
    ['acid-malic', 'malic acid', 'none', 0, 100, 0, 1119, 0, 0, 'definition'],
    ['acid-citric', 'citric acid', 'none', 0, 91.4, 0, 1071, 0, 0, 'definition'],
    ['acid-lactic', 'lactic acid, 80 %', 'none', 0, 80, 0, 667, 0, 0, 'definition'],
    ['acid-blend', 'acid blend', 'none', 0, 98, 0, 1070, 0, 0, 'estimate'],
  ]),
  ...rows('sweetener', [
    ['erythritol', 'erythritol', 'none', 0, 100, 0, 0, 0, 0, 'definition'],
    ['xylitol', 'xylitol', 'none', 0, 100, 0, 0, 0, 0, 'definition'],
    ['lactose', 'lactose', 'none', 0, 100, 0, 0, 0, 0, 'definition'],
    ['stevia', 'stevia', 'none', 0, 95, 0, 0, 0, 0, 'estimate'],
    ['sucralose', 'sucralose', 'none', 0, 100, 0, 0, 0, 0, 'definition'],
    ['glycerin', 'glycerin', 'none', 0, 99, 0, 0, 0, 0, 'definition'],
    ['coloring', 'caramel coloring', 'none', 0, 65, 0, 0, 0, 0, 'estimate'],
  ]),
];

export const INGREDIENTS: readonly ReferenceIngredient[] = ROWS.map((row) => {
  const traits = TRAITS_OF[row.id];
  return traits === undefined ? row : { ...row, traits };
});

/** The row with this id, or undefined. */
export const referenceIngredient = (id: string): ReferenceIngredient | undefined => INGREDIENTS.find((row) => row.id === id);
