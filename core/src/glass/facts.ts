import { provesAnEnd } from '../liquid/index.ts';
import { DRY_SUGAR_G_PER_L, yeastOf } from '../yeast/index.ts';
import { likelyEndSg, mixedOf, mostMadeAbv, toleranceSaid } from '../record/index.ts';
import type { Guard, Ledger, Turn } from '../record/index.ts';
import type { Immutable } from '../quantities/index.ts';

/** A gravity that can prove something: by hydrometer or density meter, since the pitch, corrected. */
export interface Look {
  at: number;
  sg: number;
  /** Its place among all readings. */
  place: number;
}

/** How warm it stood from a moment on, °C. */
export interface Warmth {
  at: number;
  tempC: number;
}

/** What a maker saw or tasted that speaks of life, or of something on it. */
export interface Sign {
  at: number;
  of: 'bubbling' | 'foam' | 'prickle' | 'film' | 'mold';
}

/** All that the judgement looks at: a record without what does not matter for glass. */
export interface Facts {
  pitchedAt: number | null;
  looks: readonly Look[];
  warmths: readonly Warmth[];
  turns: readonly Immutable<Turn>[];
  guard: Immutable<Guard> | null;
  sulfiteAt: number | null;
  freeSo2At: number | null;
  signs: readonly Sign[];
  hazyAt: number | null;
  staysHereAt: number | null;
  /** As the ledger stands. */
  sg: number;
  endSg: number;
  abv: number;
  /** The most that its yeast has shown. */
  reachedAbv: number;
  toleranceAbv: number;
  /** Fermentable sugar beyond what a dry mead shows, g/L. */
  sweetGPerL: number;
  /** °C below which its yeast rests. */
  lowC: number;
}

/** How warm it stood, from what was written: where it stands comes before a sample, which may have been warmed. */
function warmthsOf({ history: { temps } }: Ledger): Warmth[] {
  let standing: number | null = null;
  let sample: number | null = null;
  return temps.map(({ at, tempC, isSample }) => {
    if (isSample === true) sample = tempC;
    else [standing, sample] = [tempC, null];
    return { at, tempC: Math.min(standing ?? Number.POSITIVE_INFINITY, sample ?? Number.POSITIVE_INFINITY) };
  });
}

function signsOf({ history: { marks, prickles, pitch } }: Ledger): Sign[] {
  const since = pitch?.at ?? Number.POSITIVE_INFINITY;
  const seen = (['bubbling', 'foam', 'film', 'mold'] as const).flatMap((of): Sign[] => {
    const at = marks[of];
    return at === undefined ? [] : [{ at, of }];
  });
  const tasted = prickles.at(-1);
  return [...seen, ...(tasted?.prickle === 'strong' ? [{ at: tasted.at, of: 'prickle' as const }] : [])].filter(({ at }) => at >= since);
}

/** The facts of a record. @returns null for an empty vessel */
export function factsOf(ledger: Ledger): Facts | null {
  const mixed = mixedOf(ledger);
  if (mixed === null) return null;
  const { history, care, liquid } = ledger;
  const { pitch, found } = history;
  const since = Math.max(pitch?.at ?? Number.POSITIVE_INFINITY, found === null ? Number.NEGATIVE_INFINITY : found.at + 1);
  const { clear = Number.NEGATIVE_INFINITY, hazy } = history.marks;
  return {
    pitchedAt: pitch?.at ?? null,
    looks: history.readings.flatMap(({ at, sg, instrument, isMisdated }, place) =>
      at >= since && isMisdated !== true && provesAnEnd(instrument) ? [{ at, sg, place }] : [],
    ),
    warmths: warmthsOf(ledger),
    turns: history.turns,
    guard: history.guarded,
    sulfiteAt: history.sulfites.at(-1)?.at ?? null,
    freeSo2At: history.freeSo2?.at ?? null,
    signs: signsOf(ledger),
    hazyAt: hazy !== undefined && hazy > clear ? hazy : null,
    staysHereAt: care.staysHereAt,
    sg: mixed.sg,
    endSg: likelyEndSg(ledger) ?? mixed.sg,
    abv: mixed.abv,
    reachedAbv: Math.max(mixed.abv, mostMadeAbv(ledger)),
    toleranceAbv: toleranceSaid(ledger)?.value ?? Number.POSITIVE_INFINITY,
    sweetGPerL: liquid.sugarG / mixed.volumeL - DRY_SUGAR_G_PER_L.value,
    lowC: pitch === null ? Number.NEGATIVE_INFINITY : Math.min(...[pitch, ...history.yeasts].map((each) => yeastOf(each).tempC.low)),
  };
}
