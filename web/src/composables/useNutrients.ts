import { nitrogenMgPerG } from '@hollow-bell/core/nitrogen';
import type { Product } from '@hollow-bell/core/nitrogen';
import type { Stocked } from '@hollow-bell/core/feed';
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
  /** A kind without a price, with that of a packet on the shelf that holds the same. */
  function priced(product: Product): Product {
    if (product.pricePerKg !== undefined) return product;
    const wanted = nitrogenMgPerG(product);
    const alike = stocked.value.find(({ product: packet }) => {
      const { ammonium, amino } = nitrogenMgPerG(packet);
      return packet.pricePerKg !== undefined && Math.abs(ammonium - wanted.ammonium) < 1 && Math.abs(amino - wanted.amino) < 1;
    });
    return { ...product, pricePerKg: alike?.product.pricePerKg };
  }
  return { stocked, priced };
}
