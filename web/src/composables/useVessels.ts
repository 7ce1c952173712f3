import type { Vessel } from '@hollow-bell/core/vessel';
import { computed } from 'vue';
import { useRounds } from '../stores/rounds.ts';
import { useShelf } from '../stores/shelf.ts';
import { useReader } from './useReader.ts';

/** A vessel and which batches stand in its like now. */
interface AtHand {
  vessel: Vessel;
  holds: string[];
  isFree: boolean;
}

/** The vessels at hand, free ones first, each told by what it holds to the brim and which batch stands in it. */
export function useVessels(batchId: () => string | undefined) {
  const shelf = useShelf();
  const rounds = useRounds();
  const { show } = useReader();

  const load = async (): Promise<void> => {
    await Promise.all([shelf.loadOnce(), rounds.load()]);
  };
  const atHand = computed<AtHand[]>(() => {
    const others = rounds.standing.filter(({ id }) => id !== batchId());
    return shelf.vessels
      .map((vessel) => {
        const holds = others.flatMap(({ name, filled }) =>
          filled.filter((each) => each.vessel.name === vessel.name && each.volumeL > 0).map(() => name),
        );
        return { vessel, holds, isFree: holds.length < shelf.vesselCount(vessel.name) };
      })
      .sort((a, b) => Number(b.isFree) - Number(a.isFree));
  });
  const free = computed(() => atHand.value.filter(({ isFree }) => isFree).map(({ vessel }) => vessel));
  const options = computed(() =>
    atHand.value.map(({ vessel: { name, capacityL }, holds, isFree }) => ({
      value: name,
      label: isFree ? `${name}, ${show('volumeL', capacityL)} to the brim` : `${name}: ${holds.join(', ')} stands in it`,
    })),
  );
  return { load, free, options };
}
