import type { ShelfItem } from '@hollow-bell/contract';
import { honeyComposition } from '@hollow-bell/core/ingredients';
import { fitting } from '@hollow-bell/core/testing';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { misfitOf, shelfItemShape } from '@hollow-bell/contract';
import { shelfToCsv } from './shelf.ts';
import { csvToShelf as read } from './shelfIn.ts';

let n = 0;
const newId = (): string => `00000000-0000-4000-8000-${String(++n).padStart(12, '0')}`;
const item = (name: string, detail: ShelfItem['detail'], over: Partial<ShelfItem> = {}): ShelfItem => ({
  id: newId(),
  name,
  stockG: 1250,
  pricePerKg: 12.5,
  expiresOn: '2027-03-31',
  note: 'set, “two” buckets; with, commas',
  putAway: false,
  detail,
  ...over,
});
const shelf: ShelfItem[] = [
  item('linden avenue', {
    kind: 'ingredient',
    family: 'honey',
    makes: 'honey',
    composition: honeyComposition(0.171, 0.032),
    sugarSpread: 0,
  }),
  item('strong yeast', {
    kind: 'yeast',
    typeId: 'strong',
    own: { toleranceAbv: { value: 17, low: 16, high: 18 }, demand: 'high' },
    gPerPacket: 5,
  }),
  item('organic nutrient', { kind: 'nutrient', ammoniumN: 0, aminoN: 0.04, gPerTeaspoon: 2.8, capGPerL: 4 }, { putAway: true }),
  item('sulfite tablets', { kind: 'chemical', use: 'sulfite', is: 'potassium metabisulfite', gPerTablet: 0.44, gPerPacket: 44 }),
  item('-dash first', { kind: 'chemical', use: '=sum' }, { pricePerKg: null, expiresOn: null, note: '' }),
  item('5 L jug', { kind: 'vessel', shape: 'jug', capacityL: 5.3, material: 'glass', neckMm: null, tareG: 1850 }),
  item('hydrometer', {
    kind: 'instrument',
    reads: 'gravity',
    calibrationC: 20,
    resolution: 0.001,
    inWater: 1.002,
    calibratedOn: '2026-01-02',
  }),
];

const csvToShelf = (text: string, newId: () => string) => read(text, newId, (item) => misfitOf(shelfItemShape, item));

describe('the shelf as a table', () => {
  it('comes back as it went out', () => {
    const { items, problems } = csvToShelf(shelfToCsv(shelf), newId);
    expect(problems).toEqual([]);
    expect(items).toEqual(
      shelf.map((each) => expect.objectContaining({ name: each.name, stockG: each.stockG, note: each.note }) as object),
    );
    expect(items.map(({ detail }) => detail)).toEqual(
      shelf.map(({ detail }) => (detail.kind === 'ingredient' ? (expect.objectContaining({ family: 'honey' }) as object) : detail)),
    );
    const [honey] = items;
    expect(honey!.detail.kind === 'ingredient' && honey!.detail.composition.sugar).toBeCloseTo(0.797, 6);
  });

  it('hides nothing from a spreadsheet that would run as a formula', () => {
    expect(shelfToCsv(shelf)).toContain("'=sum");
    expect(shelfToCsv(shelf)).toContain("'-dash first");
  });

  it('loses nothing of whatever may stand on a shelf', () => {
    const near = (value: unknown): unknown =>
      JSON.parse(JSON.stringify(value), (_, part: unknown) => (typeof part === 'number' ? Number(part.toPrecision(9)) : part));
    /** Figures as hands type them. */
    const typed = (value: unknown): unknown =>
      JSON.parse(JSON.stringify(value), (_, part: unknown) => (typeof part === 'number' ? Number(part.toFixed(5)) : part));
    /** What may be left out and what is empty say the same in a table. */
    const isTold = ({ detail }: ShelfItem): boolean =>
      !('traits' in detail) || detail.traits === undefined || new Set(detail.traits).size === detail.traits.length;
    fc.assert(
      fc.property(fitting(shelfItemShape), (drawn) => {
        const one = typed(drawn) as ShelfItem;
        fc.pre(isTold(one) && misfitOf(shelfItemShape, one) === null);
        const { items, problems } = csvToShelf(shelfToCsv([one]), newId);
        expect(problems).toEqual([]);
        const { detail } = one;
        const bare = 'traits' in detail && detail.traits?.length === 0 ? { ...one, detail: { ...detail, traits: undefined } } : one;
        expect(near(items[0])).toEqual(near(bare));
      }),
      { numRuns: 300, seed: 17 },
    );
  });

  it('takes a short table made by hand: semicolons, decimal commas, “like” a row of the reference table', () => {
    const { items, problems } = csvToShelf('kind;name;stock_g;price_per_kg;like\ningredient;garden quinces;3500;1,80;quince\n', newId);
    expect(problems).toEqual([]);
    expect(items[0]).toMatchObject({
      name: 'garden quinces',
      stockG: 3500,
      pricePerKg: 1.8,
      detail: { family: 'fruit', sugarSpread: 0.3 },
    });
  });

  it.each([
    ['kind,name\nmoonbeam,x', 2, /must be ingredient, yeast/],
    ['kind,name,stock_g\nchemical,sulfite,lots', 2, /stock_g is “lots”, which is not a number/],
    ['kind,name,stock_g\nchemical,sulfite,-5', 2, /cannot be less than nothing/],
    ['kind,name,family,sugar_pct\ningredient,wet honey,honey,55', 2, /a honey of 45\.0 % water is none/],
    ['kind,name,like\ningredient,odd,unicorn', 2, /“unicorn”, which is no row/],
    ['kind,name,expires_on\nchemical,a,\nchemical,b,31.3.2027', 3, /2027-03-31/],
    ['kind,name\nchemical,', 2, /name is missing/],
    ['name\nx', 1, /heading lacks kind/],
    ['kind,name\n', 1, /no rows/],
    ['kind,name,shape,capacity_l,material\nvessel,jug,jug,0,glass', 2, /capacityL/],
  ])('names the row and what is wrong in %j', (text, row, sentence) => {
    const { problems } = csvToShelf(text, newId);
    expect(problems[0]!.row).toBe(row);
    expect(problems[0]!.sentence).toMatch(sentence);
  });
});
