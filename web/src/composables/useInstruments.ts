import type { HouseInstruments } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { usePractice } from '../stores/practice.ts';
import { useShelf } from '../stores/shelf.ts';

/** The instruments that a reading is taken with: those of the shelf, and where none stands there as the house has it. */
export function useInstruments() {
  const shelf = useShelf();
  const house = usePractice();
  return computed((): HouseInstruments => {
    const { markedC, zeroSg, zeroBrix } = shelf.gravityInstruments;
    return { calibrationC: markedC ?? house.practice.calibrationC, phMeter: shelf.phMeter, zeroSg, zeroBrix };
  });
}
