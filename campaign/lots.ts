import { honeyComposition } from '@hollow-bell/core/ingredients';

/** A lot of honey as the shelf keeps it. */
export const honeyLot = (id: string) => ({
  id,
  name: 'linden avenue',
  stockG: 5000,
  pricePerKg: null,
  expiresOn: null,
  note: '',
  putAway: false,
  detail: { kind: 'ingredient', family: 'honey', makes: 'honey', composition: honeyComposition(0.171, 0.032), sugarSpread: 0 },
});
