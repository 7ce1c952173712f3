import type { ShelfItem, Shelved } from '@hollow-bell/contract';
import { honeyComposition } from '@hollow-bell/core/ingredients';
import type { EventContent } from '@hollow-bell/core/record';
import { NUTRIENTS } from '@hollow-bell/core/record';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { useShelf } from './shelf.ts';

const item = (id: string, name: string, detail: ShelfItem['detail'], putAway = false): Shelved => ({
  item: { id, name, stockG: 1000, pricePerKg: null, expiresOn: null, note: '', putAway, detail },
  takenG: 0,
  version: 1,
});
const honeyLot = (id: string, name: string, putAway = false) =>
  item(
    id,
    name,
    { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.17, 0.03), sugarSpread: 0 },
    putAway,
  );
const dapLot = item('dap', 'white salt', {
  kind: 'nutrient',
  ammoniumN: NUTRIENTS.dap.ammoniumN,
  aminoN: 0,
  gPerTeaspoon: 5,
});
const lotOf = (content: EventContent): string | undefined => (useShelf().fromLot(content).payload as { lotId?: string }).lotId;
const honey = (name: string, lotId?: string): EventContent => ({
  kind: 'honey',
  payload: { name, massG: 100, moisture: 0.17, unfermentable: 0.03, ...(lotId === undefined ? {} : { lotId }) },
});

beforeEach(() => {
  setActivePinia(createPinia());
});

describe('what is written takes from the shelf', () => {
  it('honey by its name, a nutrient by what it holds, and neither from what is put away', () => {
    useShelf().shelved = [honeyLot('old', 'Linden', true), honeyLot('new', 'Linden'), dapLot];
    expect(lotOf(honey('linden'))).toBe('new');
    expect(lotOf(honey('heather'))).toBeUndefined();
    expect(lotOf(honey('linden', 'named'))).toBe('named');
    expect(lotOf({ kind: 'nutrient', payload: { source: 'dap', massG: 1 } })).toBe('dap');
    expect(lotOf({ kind: 'nutrient', payload: { source: 'organic', massG: 1 } })).toBeUndefined();
  });

  it('powders by what they are, whatever the jar is called; yeast by its packet', () => {
    useShelf().shelved = [
      item('tabs', 'white tablets', { kind: 'chemical', use: '', is: 'potassium metabisulfite', gPerTablet: 0.44 }),
      item('jar', 'Potassium sorbate', { kind: 'chemical', use: '' }),
      item('packet', 'mild yeast', { kind: 'yeast', typeId: 'ale', own: {}, gPerPacket: 11 }),
    ];
    expect(lotOf({ kind: 'sulfite', payload: { salt: 'potassium', massG: 1 } })).toBe('tabs');
    expect(lotOf({ kind: 'sulfite', payload: { salt: 'sodium', massG: 1 } })).toBeUndefined();
    expect(lotOf({ kind: 'sorbate', payload: { massG: 1 } })).toBe('jar');
    expect(lotOf({ kind: 'yeast', payload: { yeastId: 'ale', name: 'Mild yeast', massG: 5 } })).toBe('packet');
    expect(lotOf({ kind: 'yeast', payload: { yeastId: 'ale', name: 'another', massG: 5 } })).toBeUndefined();
  });
});

describe('vessels', () => {
  it('are the maker’s own and then the usual ones', () => {
    useShelf().shelved = [item('v', 'blue demijohn', { kind: 'vessel', shape: 'jug', capacityL: 4.6, material: 'glass', neckMm: null })];
    const names = useShelf().vessels.map(({ name }) => name);
    expect(names[0]).toBe('blue demijohn');
    expect(names.slice(1)).toEqual(USUAL_VESSELS.map(({ name }) => name));
  });
});
