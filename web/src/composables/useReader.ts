import { shown, shownDate, shownFigure, shownMoney, shownNumber, shownParts, shownRange, shownSentence } from '@hollow-bell/tell';
import type { QuantityKind, Reader } from '@hollow-bell/tell';
import { GRAMS_PER, SHOWN_UNITS, UNIT_SYMBOL } from '@hollow-bell/core/quantities';
import type { Quantity, Ranged, Sentence, TypedBy } from '@hollow-bell/core/quantities';
import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import { usePractice } from '../stores/practice.ts';

/** Figures and sentences as this maker reads them. */
export function useReader() {
  const house = usePractice();
  const clock = useNow({ interval: 20_000 });
  const reader = computed<Reader>(() => ({ units: house.practice.units, locale: undefined, now: clock.value.getTime() }));
  /** What honey and fruit are priced by. */
  const sold = computed(() => {
    const unit = SHOWN_UNITS[house.practice.units].mass;
    return { kg: GRAMS_PER[unit] / 1000, symbol: UNIT_SYMBOL[unit], name: unit === 'lb' ? 'pound' : 'kilogram' };
  });
  /** How this maker's numbers are read. */
  const typedBy = computed<TypedBy>(() => ({ units: house.practice.units, locale: navigator.language }));
  return {
    reader,
    typedBy,
    show: (kind: QuantityKind, value: number): string => shown(kind, value, reader.value),
    showQuantity: (quantity: Quantity): string => shown(quantity.kind, quantity.value, reader.value),
    /** A plain number, for what has no kind of its own. */
    number: (value: number, digits: number): string => shownNumber(value, digits, reader.value),
    date: (at: number, how: Intl.DateTimeFormatOptions): string => shownDate(at, how, reader.value),
    parts: (kind: QuantityKind, value: number) => shownParts(kind, value, reader.value),
    showFigure: (kind: QuantityKind, figure: Ranged): string => shownFigure(kind, figure, reader.value),
    range: (kind: QuantityKind, range: Ranged): string => shownRange(kind, range, reader.value),
    money: (amount: number): string => shownMoney(amount, house.practice.currency, reader.value),
    /** By the kilogram or the pound, as the house weighs. */
    priced: (pricePerKg: number): string =>
      `${shownMoney(pricePerKg * sold.value.kg, house.practice.currency, reader.value)}/${sold.value.symbol}`,
    sold,
    tell: (sentence: Sentence): string => shownSentence(sentence, reader.value),
  };
}
