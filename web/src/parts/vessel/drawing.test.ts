import { inkOn } from '../../look/liquidColor.ts';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { describe, expect, it } from 'vitest';
import { bandPath, layersOf, outlinePath, sectionDrawing } from './drawing.ts';

const jug = sectionDrawing(USUAL_VESSELS[0]!, 4);
const layer = (liters: number) => ({ liters, color: 'gold', label: '' });
const points = (path: string): [number, number][] =>
  path
    .slice(1, -1)
    .split('L')
    .map((pair) => pair.split(' ').map(Number) as [number, number]);

describe('a vessel in section', () => {
  it('is drawn at one scale for all, so that a carboy is larger than a jug', () => {
    const carboy = sectionDrawing(USUAL_VESSELS[5]!, 4);
    expect(carboy.height).toBeGreaterThan(jug.height * 1.3);
    expect(carboy.width).toBeGreaterThan(jug.width * 1.3);
    expect(sectionDrawing(USUAL_VESSELS[0]!, 8).height).toBeCloseTo(2 * jug.height, 6);
  });

  it('is alike left and right of its axis', () => {
    const outline = points(outlinePath(jug));
    const half = outline.length / 2;
    for (let i = 0; i < half; i++) {
      const [x, y] = outline[i]!;
      expect(outline[outline.length - 1 - i]).toEqual([x === 0 ? 0 : -x, y]);
    }
  });

  it('has a lid where its mouth is wide', () => {
    expect(jug.lid).toBe(false);
    expect(sectionDrawing(USUAL_VESSELS[2]!, 4).lid).toBe(true);
  });
});

describe('what is poured in', () => {
  it('lies layer on layer', () => {
    const [honey, water] = layersOf(jug, [layer(1), layer(3)]);
    expect(honey!.fromCm).toBe(0);
    expect(water!.fromCm).toBe(honey!.toCm);
    expect(water!.toCm).toBeGreaterThan(water!.fromCm);
  });

  it('stands as high in one layer as in two', () => {
    const one = layersOf(jug, [layer(4)]).at(-1)!;
    const two = layersOf(jug, [layer(1.5), layer(2.5)]).at(-1)!;
    expect(one.toCm).toBeCloseTo(two.toCm, 9);
  });

  it('ends at the brim, however much it is', () => {
    const [all] = layersOf(jug, [layer(50)]);
    expect(all!.toCm).toBeCloseTo(jug.section.heightCm.at(-1)!, 9);
  });

  it('stays inside the glass', () => {
    const [band] = layersOf(jug, [layer(4)]);
    for (const [x, y] of points(bandPath(jug, band!.fromCm, band!.toCm))) {
      expect(Math.abs(x)).toBeLessThanOrEqual(jug.width / 2 + 0.1);
      expect(y).toBeGreaterThanOrEqual(0);
      expect(y).toBeLessThanOrEqual(jug.height + 0.1);
    }
  });
});

describe('a label on a liquid', () => {
  it.each([
    ['#8f2f45', '#fffdf8'],
    ['#ecd28a', '#1e2422'],
    ['var(--water)', 'var(--soot)'],
  ])('on %s is written in %s', (color, ink) => {
    expect(inkOn(color)).toBe(ink);
  });
});
