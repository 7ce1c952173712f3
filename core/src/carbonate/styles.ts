export interface GasStyle {
  id: 'still' | 'prickling' | 'lively' | 'sparkling' | 'foaming';
  name: string;
  /** Volumes of CO2, up to the next one's. */
  from: number;
  /** Where one aims at it. */
  usual: number;
  feels: string;
}

/**
 * How much gas is called what. To 3.92 g/L, 2 volumes, wine is still to the tax of the States (27 CFR 24.10); in the EU sparkling wine
 * has 3 bar and more at 20 °C, some 3.5 volumes (Regulation 1308/2013, Annex VII). What lies between is makers' use.
 */
export const GAS_STYLES: readonly GasStyle[] = [
  { id: 'still', name: 'still', from: 0, usual: 0, feels: 'no prickle, or a trace' },
  { id: 'prickling', name: 'prickling', from: 1.1, usual: 1.6, feels: 'a prickle on the tongue, a few beads on the glass' },
  { id: 'lively', name: 'lively', from: 2, usual: 2.4, feels: 'as ale or cider: a ring of foam, gone soon' },
  { id: 'sparkling', name: 'sparkling', from: 2.7, usual: 3, feels: 'fine beads that keep coming, a light mousse' },
  { id: 'foaming', name: 'full sparkle', from: 4, usual: 4.5, feels: 'as sparkling wine: it foams over where it is warm' },
];

/** What so much gas is called. @param volumes 0 and more */
export const gasStyleOf = (volumes: number): GasStyle => GAS_STYLES.findLast(({ from }) => volumes + 1e-9 >= from) ?? STILL_STYLE;
const STILL_STYLE: GasStyle = { id: 'still', name: 'still', from: 0, usual: 0, feels: 'no prickle, or a trace' };
