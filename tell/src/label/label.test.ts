import { layLabel, LABEL_GRIDS, ownGrid, placeLabels } from '@hollow-bell/core/bottle';
import type { LabelFacts } from '@hollow-bell/core/bottle';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Reader } from '../formats.ts';
import { containsLine, labelLines, vesselLines } from './lines.ts';
import type { LabelChoice } from './lines.ts';
import { labelPages } from './pages.ts';

const reader: Reader = { units: 'metric', locale: 'en-GB', now: Date.UTC(2026, 10, 27) };
const facts: LabelFacts = {
  style: 'melomel',
  honeys: ['borage honey'],
  honeyShare: 0.9,
  others: ['gooseberries'],
  abv: { shown: 7.9, tolerance: 1.5, low: 6.4, high: 9.4 },
  reckoned: { value: 7.9, low: 7.5, high: 8.3 },
  sweetness: 'dry',
  gas: 'lively',
  allergens: ['sulfites', 'fish'],
  year: 2026,
};
const choice: LabelChoice = {
  name: 'Gooseberry',
  showsHoney: true,
  showsRange: true,
  showsSweetness: true,
  showsDrinkBy: true,
  own: '',
  region: 'eu',
};
const bottle = { sizeMl: 750, code: 'GH 26-09 f7', drinkBy: Date.UTC(2027, 5, 1) };
const said = (over: Partial<LabelChoice> = {}, of: Partial<LabelFacts> = {}): string =>
  labelLines({ ...facts, ...of }, { ...choice, ...over }, bottle, reader)
    .map(({ text }) => text.replaceAll('\u00a0', ' '))
    .join('|');

describe('what a label says', () => {
  it('is name, style, honey and its share, fruit, strength with its range, size, year, and what must be named', () => {
    expect(said()).toBe(
      'Gooseberry|lively dry melomel of borage honey (90 % of its sugar) with gooseberries|7.9 % vol (7.5 – 8.3) · 750 ml · 2026|Contains sulphites, fish.|GH 26-09 f7 · drink by June 2027 · homemade, not for sale',
    );
  });

  it('uses the words of its region, and leaves out what the maker does not want', () => {
    expect(said({ region: 'us' })).toContain('ALC. 7.9% BY VOL.');
    expect(said({ region: 'us' })).toContain('Contains sulfites, fish.');
    const bare = said({ showsHoney: false, showsRange: false, showsSweetness: false, showsDrinkBy: false });
    for (const word of ['borage', '7.5', 'dry', 'June']) expect(bare).not.toContain(word);
    expect(said({ own: '  for the bell ringers ' })).toContain('|for the bell ringers|');
    expect(containsLine([], 'eu')).toBeNull();
    expect(said({}, { honeyShare: 1 })).not.toContain('of its sugar');
  });

  it('of a vessel is its name, the day of its yeast, the OG, and what is in it', () => {
    const lines = vesselLines(
      { name: 'Heather', pitchedAt: Date.UTC(2026, 5, 1, 12), og: 1.092, within: ['heather honey', 'strong type'], vessel: '5 L jug' },
      reader,
    );
    expect(lines.map(({ text }) => text.replaceAll('\u00a0', ' '))).toEqual([
      'Heather',
      'yeast in 1 June 2026 · OG 1.092',
      'heather honey, strong type',
      '5 L jug',
    ]);
    expect(vesselLines({ name: 'x', pitchedAt: null, og: null, within: [], vessel: '' }, reader)[1]!.text).toBe('no yeast yet');
  });
});

describe('a sheet of labels', () => {
  it('keeps every label on its paper, and none on another', () => {
    fc.assert(
      fc.property(fc.nat({ max: LABEL_GRIDS.length - 1 }), fc.integer({ min: 1, max: 80 }), (which, count) => {
        const grid = LABEL_GRIDS[which]!;
        const placed = placeLabels(grid, count, 1);
        const paper = grid.paper === 'a4' ? { w: 210, h: 297 } : { w: 215.9, h: 279.4 };
        expect(new Set(placed.map(({ page, x, y }) => `${page} ${x} ${y}`)).size).toBe(count);
        for (const { x, y } of placed) {
          expect(x + grid.width).toBeLessThanOrEqual(paper.w + 0.01);
          expect(y + grid.height).toBeLessThanOrEqual(paper.h + 0.01);
        }
      }),
    );
  });

  it('begins where the sheet still has labels, and moves by what a test print was off', () => {
    const [grid] = LABEL_GRIDS;
    expect(placeLabels(grid!, 2, 4, { x: 1, y: -0.5 })).toEqual([
      { page: 0, x: 1, y: 29.2 },
      { page: 0, x: 71, y: 29.2 },
    ]);
    expect(placeLabels(grid!, 2, 30).map(({ page }) => page)).toEqual([0, 1]);
    expect(() => placeLabels(grid!, 1, 31)).toThrow(/30 labels: begin at 1 to 30/);
  });

  it('fits labels of an own size, and refuses what is too small or too large', () => {
    expect(ownGrid('a4', 80, 50)).toMatchObject({ columns: 2, rows: 5 });
    expect(() => ownGrid('a4', 20, 50)).toThrow(/at least 30 mm wide/);
    expect(() => ownGrid('a4', 250, 50)).toThrow(/does not fit on this paper/);
  });

  it.each([
    [20, 15.0, null],
    [19.9, 14.9, /A code of 15 mm cannot be read/],
  ])('of %f mm holds a code of %f mm or not', (height, _side, why) => {
    const lay = () => layLabel({ width: 90, height }, [{ text: 'x', points: 8 }], true);
    if (why === null) expect(lay().qrMm).toBeCloseTo(15, 6);
    else expect(lay).toThrow(why);
  });

  it('makes its letters smaller until they fit, and says when they cannot', () => {
    const line = (words: number) => [{ text: 'gooseberry '.repeat(words), points: 12 }];
    const large = layLabel({ width: 70, height: 30 }, line(6), false).lines[0]!.points;
    const small = layLabel({ width: 70, height: 30 }, line(30), false).lines[0]!.points;
    expect(large).toBe(12);
    expect(small).toBeLessThan(12);
    expect(small).toBeGreaterThanOrEqual(6);
    expect(() => layLabel({ width: 70, height: 30 }, line(120), false)).toThrow(/too long for this label/);
  });

  it('prints nothing but labels, each at its place', () => {
    const [grid] = LABEL_GRIDS;
    const laid = layLabel(grid!, labelLines(facts, choice, bottle, reader), false);
    const labels = placeLabels(grid!, 31, 1).map((placed) => ({ laid, placed }));
    const { content, pageSize } = labelPages({ title: 'x', grid: grid!, labels, code: null, picture: null, outlines: false });
    expect(content as unknown[]).toHaveLength(2);
    expect((pageSize as { width: number }).width).toBeCloseTo(595.28, 1);
  });
});
