import type { Product, Stocked } from '@hollow-bell/core/feed';
import { computed, onMounted } from 'vue';
import { useShelf } from '../stores/shelf.ts';

/** The packets of nutrient on the shelf, each with its own figures and what is left of it. */
export function useNutrients() {
  const shelf = useShelf();
  onMounted(() => shelf.load());
  const stocked = computed<Stocked[]>(() =>
    shelf.standing.flatMap(({ item }) => {
      if (item.detail.kind !== 'nutrient') return [];
      const { ammoniumN, aminoN, gPerTeaspoon, capGPerL } = item.detail;
      const product: Product = {
        source: 'own',
        lotId: item.id,
        own: { name: item.name, ammoniumN, aminoN },
        gPerTeaspoon,
        ...(capGPerL === undefined ? {} : { capGPerL }),
        ...(item.pricePerKg === null ? {} : { pricePerKg: item.pricePerKg }),
      };
      return [{ product, stockG: Math.max(0, shelf.leftG.get(item.id) ?? 0) }];
    }),
  );
  return { stocked };
}
