import type { Standing } from '@hollow-bell/contract';
import type { Bell } from '@hollow-bell/core/rounds';
import { describe, expect, it } from 'vitest';
import { computed } from 'vue';
import { useManyVessels } from './manyVessels.ts';

const vessel = (i: number, bell: Bell | null): Standing =>
  ({ id: String(i), name: `${i % 2 === 0 ? 'Linden' : 'Heather'} ${i}`, asks: bell === null ? [] : [{ bell }] }) as unknown as Standing;
const cellar = (count: number, asking: number): Standing[] =>
  Array.from({ length: count }, (_, i) => vessel(i, i < asking ? 'swinging' : i % 3 === 0 ? 'muffled' : null));
const of = (all: Standing[]) => useManyVessels(computed(() => all));

describe('the floor of a cellar', () => {
  it.each([
    [12, 3, false, 12],
    [13, 3, true, 3],
    [200, 40, true, 12],
    [200, 0, true, 0],
  ])('of %d vessels of which %d ask: folded %s, %d stand', (count, asking, folds, stand) => {
    const { isMany, onFloor, folded } = of(cellar(count, asking));
    expect(isMany.value).toBe(folds);
    expect(onFloor.value).toHaveLength(stand);
    expect(onFloor.value.length + folded.value.length).toBe(count);
  });

  it('puts the most pressing in front where more ask than can stand', () => {
    const all = cellar(30, 20);
    const stuck = { ...vessel(17, 'cracked'), name: 'stuck' };
    const { onFloor } = of(all.with(17, stuck));
    expect(onFloor.value[0]?.name).toBe('stuck');
    expect(onFloor.value).toHaveLength(12);
  });

  it('shows what has the name that is typed, asking or not, in the same order', () => {
    const all = cellar(200, 5);
    const { sought, onFloor, folded } = of(all);
    sought.value = ' heather 1';
    const found = [...onFloor.value, ...folded.value].map(({ name }) => name);
    expect(found).toEqual(all.map(({ name }) => name).filter((name) => name.startsWith('Heather 1')));
    sought.value = 'nobody’s';
    expect([...onFloor.value, ...folded.value]).toEqual([]);
  });
});
