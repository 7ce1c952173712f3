import { CLOSURES_OF, MIX_WITHIN_H, CARBONATES_FROM_C, carbonateDays } from '../carbonate/index.ts';
import type { ClosureId } from '../record/index.ts';
import { hours, massG, mm, say, tempC, verdict, volumeL } from '../quantities/index.ts';
import type { Sentence, Verdict } from '../quantities/index.ts';
import type { CratePlan, CrateRow } from './crate.ts';
import { sanitizerFor } from './sanitizer.ts';

/** Under a cork 13 mm stay free (trade practice); under the others about these (our estimates). */
const HEADSPACE_MM: Record<ClosureId, number> = {
  cork: 13,
  'wired cork': 30,
  'crown cap': 25,
  'screw cap': 20,
  'swing-top': 30,
  lid: 0,
};
/** Corks soak so many minutes by their makers (domain: 10 to 30). */
export const SOAK_MIN = { low: 10, usual: 20, high: 30 } as const;
/** Solution for bottles, hose and bucket: so much, and so much more for each bottle, L (our estimates). */
const SOLUTION_L = { base: 3, perBottle: 0.15 } as const;

export interface BottleStep {
  id: 'taste' | 'clean' | 'sanitize' | 'soak' | 'syrup' | 'pieces' | 'rack' | 'fill' | 'close' | 'store' | 'test';
  title: string;
  sentence: Sentence;
  caution: Sentence | null;
  /** How long it takes by itself, for a timer. */
  minutes: number | null;
}

export interface DayPlan {
  crate: CratePlan;
  prime: { name: string; sugarG: number; waterL: number; where: 'bulk' | 'each'; volumes: number } | null;
  /** By its label: ml of concentrate in so many liters, and the minutes it has to stay. */
  sanitizer: { doseMl: number; perL: number; minutes: number } | null;
  soakMin: number;
  /** Where the bottles will stand, °C. */
  restC: number;
}

const closureOf = ({ closure, kind }: CrateRow): ClosureId => closure ?? CLOSURES_OF[kind ?? 'wine'][0] ?? 'cork';

const step = (
  id: BottleStep['id'],
  title: string,
  sentence: Sentence,
  more: { caution?: Sentence; minutes?: number } = {},
): BottleStep => ({
  id,
  title,
  sentence,
  caution: more.caution ?? null,
  minutes: more.minutes ?? null,
});

function sanitizing({ crate, sanitizer }: DayPlan): BottleStep {
  const makeL = Math.ceil(2 * (SOLUTION_L.base + SOLUTION_L.perBottle * crate.bottles)) / 2;
  const caution = say`Gloves; no nose over the bucket: sulfite fumes take the breath, above all with asthma. Fresh solution each time, never a cloudy one. Never two products together.`;
  if (sanitizer === null)
    return step('sanitize', 'Sanitize', say`About ${volumeL(makeL)} of fresh solution, as its label says, for bottles, hose and bucket.`, {
      caution,
    });
  const { concentrateMl } = sanitizerFor(sanitizer.doseMl, sanitizer.perL, makeL);
  return step(
    'sanitize',
    'Sanitize',
    say`${volumeL(concentrateMl / 1000)} of concentrate made up to ${volumeL(makeL)}; everything stays wet ${String(sanitizer.minutes)} minutes.`,
    { caution, minutes: sanitizer.minutes },
  );
}

/** The day’s order of work, for what is planned. */
export function bottleDay(plan: DayPlan): BottleStep[] {
  const { crate, prime, soakMin, restC } = plan;
  const filled = crate.rows.filter(({ count }) => count > 0);
  const countOf = (closure: ClosureId): number =>
    filled.filter(({ row }) => closureOf(row) === closure).reduce((sum, { count }) => sum + count, 0);
  const corks = countOf('cork') + countOf('wired cork');
  const closures = [...new Set(filled.map(({ row }) => closureOf(row)))];
  const days = prime === null ? null : carbonateDays(restC);
  return [
    step('taste', 'Taste', say`Before anything else, and write it down: what the glass says now, the bottle keeps.`),
    step(
      'clean',
      'Clean',
      say`Bottles, hose, filler, bucket: what is dirty cannot be sanitized. Hold each bottle to the light; a chip or a crack goes to the glass bin.`,
    ),
    sanitizing(plan),
    ...(corks > 0
      ? [
          step(
            'soak',
            'Soak the corks',
            say`${String(corks)} corks, ${String(soakMin)} minutes in sulfite solution, or as their maker says.`,
            { minutes: soakMin },
          ),
        ]
      : []),
    ...(prime === null ? [] : priming(prime)),
    step(
      'fill',
      'Fill',
      [
        ...say`From the bottom, down the side, without splashing. Free under `,
        ...closures.flatMap((closure, i) => [...(i === 0 ? [] : [', ']), ...say`the ${closure}: ${mm(HEADSPACE_MM[closure])}`]),
        '.',
      ],
      prime === null
        ? {}
        : { caution: say`Stir gently again every half hour: sugar sinks. The last bottle within ${hours(MIX_WITHIN_H)}.` },
    ),
    step('close', 'Close', say`Cork or cap at once, as each is filled; wipe, and write on them what they are.`),
    step(
      'store',
      'Put away',
      countOf('cork') > 0 ? say`Upright for three days, until the corks sit; then down.` : say`Upright, in the dark.`,
      prime === null
        ? {}
        : { caution: say`In a box with a lid, or under a thick cloth, where nobody sleeps or sits: one that bursts takes the next along.` },
    ),
    ...(prime === null
      ? []
      : [
          step(
            'test',
            'Test bottle',
            days === null
              ? say`Below ${tempC(CARBONATES_FROM_C)} yeast makes no gas: bring them to a warmer room first.`
              : say`After ${hours(24 * days.value)} at this warmth (${hours(24 * days.low)} to ${hours(24 * days.high)}): cool one for a day, and open it.`,
          ),
        ]),
  ];
}

function priming({ name, sugarG, waterL, where, volumes }: NonNullable<DayPlan['prime']>): BottleStep[] {
  return where === 'bulk'
    ? [
        step(
          'syrup',
          'Boil the syrup',
          say`${massG(sugarG)} of ${name} in ${volumeL(waterL)} of water, boiled five minutes and cooled, into the empty bucket.`,
          {
            caution: say`For ${{ kind: 'volumes', value: volumes }}, in the volume that was measured: weigh it, do not spoon it.`,
          },
        ),
        step('rack', 'Rack onto it', say`Siphon the mead onto the syrup without splashing, and stir slowly for a minute.`),
      ]
    : [
        step(
          'pieces',
          'Into each bottle',
          say`${name}, ${massG(sugarG)} in all, into the empty bottles: the grams stand beside each size.`,
        ),
      ];
}

/** How a test bottle is opened, and what a spray means. */
export const TEST_TOLD: Verdict[] = [
  verdict('cool', 'note', say`Cool it for a day first: cold mead keeps its gas. Cold slows the yeast, it does not stop it.`),
  verdict('open', 'care', say`Outdoors or over a sink, a cloth over the neck, eyes away, glasses on; let the gas out slowly.`),
  verdict(
    'spray',
    'stop',
    say`If it sprays or climbs out of the neck, there is too much gas, or it is not finished: treat the others as below.`,
  ),
];

/** What to do with too much gas, so that nobody is hurt. */
export const ACCIDENT_TOLD: Verdict[] = [
  verdict(
    'cover',
    'stop',
    say`Do not lift or shake them. A thick cloth or a blanket over them, a lid on the box; keep people and animals away.`,
  ),
  verdict(
    'cold',
    'care',
    say`Make the whole room as cold as it will go, or carry the covered box, gloves and eyes guarded, to the coldest place. Never heat them: warmth makes pressure.`,
  ),
  verdict(
    'vent',
    'care',
    say`Once cold, away from people, one by one, under a cloth: let the gas out and close again with a fresh cap, or pour them together under an airlock.`,
  ),
  verdict(
    'stay',
    'note',
    say`A swing-top is only cracked open; a cork is drawn at a slant under a cloth. In doubt leave them cold and covered, and ask someone who knows.`,
  ),
];
