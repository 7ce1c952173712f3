import { MEAN_HONEY } from '../ingredients/index.ts';
import { BALLING, ethanolGPerL, residualExtractGPerL } from '../liquid/index.ts';
import { findRoot } from '../numerics/index.ts';
import { Refusal, abvPct, say } from '../quantities/index.ts';

/** What a maker knows of the strength of a mead whose past nobody wrote down. */
export type StrengthKnown =
  | { by: 'label'; abv: number }
  | { by: 'taste'; abv: number }
  /** The gravity that it began at, or a potential that was read off for it. */
  | { by: 'og'; og: number }
  /** About so much honey in all that there was. */
  | { by: 'honey'; honeyG: number }
  | { by: 'nothing' };

/** ± in % vol, 10–90 %: a label's tolerance (27 CFR 4.36 allows ±1.5, EU 1169/2011 ±1); tongues err by more (our estimates, as is what most meads are). */
const SPREAD = { label: 1.2, taste: 3, og: 1, honey: 2 } as const;
const MOST_MEADS = { abv: 11.5, abvSpread: 4.5 } as const;
const MOST_ABV = 20;

/**
 * Its strength, with how far that may be off, % vol.
 * @param sg as it reads now @param volumeL as much as there is
 * @throws Refusal where what is known cannot be
 */
export function strengthFrom(known: StrengthKnown, { sg, volumeL }: { sg: number; volumeL: number }): { abv: number; abvSpread: number } {
  switch (known.by) {
    case 'label':
    case 'taste':
      return { abv: known.abv, abvSpread: SPREAD[known.by] };
    case 'nothing':
      return MOST_MEADS;
    case 'og': {
      if (known.og <= sg) throw new Refusal('The gravity that it began at must be above what it reads now.', 'og');
      return { abv: strengthBy(extractGPerLAt(known.og), sg), abvSpread: SPREAD.og };
    }
    case 'honey':
      return { abv: strengthBy((known.honeyG * (1 - MEAN_HONEY.moisture)) / volumeL, sg), abvSpread: SPREAD.honey };
  }
}

const extractGPerLAt = (og: number): number => residualExtractGPerL(og, 0);

/** % vol at which what is left and what was eaten come to all the extract that a liter held. */
function strengthBy(extractGPerL: number, sg: number): number {
  const eaten = (abv: number): number => (ethanolGPerL(abv) * BALLING.extractG) / BALLING.ethanolG;
  const misfit = (abv: number): number => residualExtractGPerL(sg, abv) + eaten(abv) - extractGPerL;
  if (misfit(0) > 0) throw new Refusal('So little cannot have been in it: it reads more now than that would give.');
  if (misfit(MOST_ABV) < 0) throw new Refusal(say`So much would have made it stronger than ${abvPct(MOST_ABV)}; is that all of one batch?`);
  const { x } = findRoot(misfit, 0, MOST_ABV, 1e-6);
  return x;
}
