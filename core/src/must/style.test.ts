import { describe, expect, it } from 'vitest';
import { planOf, plannedFrom, plannedHoney, styleOf } from './index.ts';

const named = (rows: [id: string, massG: number][], abv = 12, honeyG = 1500): string =>
  styleOf(planOf([plannedHoney('linden', honeyG), ...rows.map(([id, massG]) => plannedFrom(id, massG))], 4), abv).name;

describe('the name of a mead', () => {
  it.each<[string, [string, number][], number?]>([
    ['traditional mead', []],
    ['melomel', [['gooseberry', 1000]]],
    ['cyser', [['juice-apple', 3000]]],
    ['pyment', [['juice-grape-red', 3000]]],
    ['metheglin', [['cinnamon', 4]]],
    ['acerglyn', [['maple', 600]]],
    ['braggot', [['malt-dry', 700]]],
    ['bochet', [['honey-caramel', 500]]],
    [
      'cyser and metheglin',
      [
        ['juice-apple', 3000],
        ['clove', 1],
      ],
    ],
    ['hydromel', [], 6],
    ['hydromel melomel', [['raspberry', 800]], 6],
    ['sack mead', [], 15.5],
  ])('%s', (name, rows, abv) => {
    expect(named(rows, abv)).toBe(name);
  });

  it.each<[string, string, number, number]>([
    ['melomel', 'gooseberry', 160, 172],
    ['pyment', 'raisin', 90, 180],
    ['braggot', 'malt-dry', 80, 130],
    ['cyser', 'juice-apple', 500, 680],
  ])('is a %s by its share, not by its name: %s', (name, id, tooLittleG, enoughG) => {
    expect(named([[id, tooLittleG]])).toBe('traditional mead');
    expect(named([[id, enoughG]])).toBe(name);
  });

  it('with less honey than one part in a hundred of the sugar is with no honey', () => {
    expect(named([['juice-apple', 5000]], 8, 6)).toBe('cider');
    expect(named([['juice-apple', 5000]], 8, 9)).toBe('cider with honey');
    expect(named([['sugar', 1500]], 12, 0)).toBe('sugar wine');
  });

  it('is no mead where honey brings less than half of the sugar', () => {
    expect(named([['juice-apple', 5000]], 8, 300)).toBe('cider with honey');
    expect(named([['sugar', 1500]], 12, 500)).toBe('sugar wine with honey');
    expect(named([['juice-pear', 6000]], 9, 300)).toBe('fruit wine with honey');
  });

  it('shares the sugar between honey and the rest', () => {
    const plan = planOf([plannedHoney('linden', 1000), plannedFrom('sugar', 796 / 0.999)], 4);
    expect(styleOf(plan, 12).honeyShare).toBeCloseTo(0.5, 6);
  });
});
