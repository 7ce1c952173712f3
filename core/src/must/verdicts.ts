import type { Trait } from '../ingredients/index.ts';
import { abvPct, gPerL, gravity, percent, phValue, say, tempC, verdict, volumeL } from '../quantities/index.ts';
import type { Verdict } from '../quantities/index.ts';
import { SUDDEN_ACID_G_PER_L, yeastOf } from '../yeast/index.ts';
import { fillOfPlan, headspaceWantedPct } from './fit.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';
import { predictMust } from './predict.ts';
import type { MustFigures } from './predict.ts';
import { SAFE_START_SG, STRONG_START_SG, TOO_STRONG_START_SG } from './stepFeeding.ts';

/** Titratable acid beyond which a must tastes sharp and lies low in pH, g/L as tartaric (our estimate). */
const SHARP_ACID_G_PER_L = 9;
const HOT_ABV = 15;

/** What a fellow maker would say to this plan, gravest first. */
export function judgeMust(plan: MustPlan, figures: MustFigures = predictMust(plan)): Verdict[] {
  const verdicts = [
    judgeRoom(plan, figures),
    ...judgeStart(figures),
    ...judgeYeast(plan, figures),
    ...judgeAcid(plan, figures),
    ...judgeLabels(plan),
    ...judgeFruit(plan),
  ];
  const weights = { stop: 0, care: 1, note: 2 };
  return verdicts.sort((a, b) => weights[a.weight] - weights[b.weight]);
}

function judgeRoom(plan: MustPlan, figures: MustFigures): Verdict {
  const fill = fillOfPlan(plan, figures.fillL.value);
  const wanted = headspaceWantedPct(plan, yeastOf(plan).foaming === 'much');
  const name = plan.vessel.name;
  if (fill.overflowL > 0) {
    return verdict(
      'overflow',
      'stop',
      say`${volumeL(fill.overflowL)} will not fit: the ${name} holds ${volumeL(plan.vessel.capacityL)} to the brim. Make less, or take a larger vessel.`,
    );
  }
  if (fill.headspacePct < wanted) {
    return verdict(
      'headspace',
      'care',
      say`Only ${percent(fill.headspacePct)} of the vessel is left for foam and cap; it wants ${percent(wanted)}. Expect it to climb out, or hold some water back.`,
    );
  }
  return verdict(
    'headspace',
    'note',
    say`Room for foam: ${volumeL(fill.headspaceL)}, ${percent(fill.headspacePct)} of the vessel. Enough.`,
  );
}

function judgeStart({ og }: MustFigures): Verdict[] {
  if (og.value > TOO_STRONG_START_SG) {
    return [
      verdict(
        'start',
        'stop',
        say`${gravity(og.value)} is too strong to start in: the yeast may never begin. Start it near ${gravity(SAFE_START_SG)} and feed it the rest of the honey in steps.`,
      ),
    ];
  }
  return og.value > STRONG_START_SG
    ? [
        verdict(
          'start',
          'care',
          say`${gravity(og.value)} is a hard start for yeast. Rehydrate it, give it air, and feed by the sugar; or hold some honey back.`,
        ),
      ]
    : [];
}

function judgeYeast(plan: MustPlan, figures: MustFigures): Verdict[] {
  const yeast = yeastOf(plan);
  const verdicts: Verdict[] = [];
  if (plan.roomTempC < yeast.tempC.low || plan.roomTempC > yeast.tempC.high) {
    verdicts.push(
      verdict(
        'temperature',
        'care',
        say`The room is at ${tempC(plan.roomTempC)}; the ${yeast.name} wants ${tempC(yeast.tempC.low)} to ${tempC(yeast.tempC.high)}.`,
      ),
    );
  }
  const over = figures.abvDry.value - yeast.toleranceAbv.value;
  verdicts.push(
    over > 0
      ? verdict(
          'tolerance',
          over > 3 ? 'care' : 'note',
          say`The sugar would make ${abvPct(figures.abvDry.value)}, but the ${yeast.name} gives up near ${abvPct(yeast.toleranceAbv.value)}: about ${gPerL(figures.sugarLeftGPerL.value)} of sugar stays, and may ferment on until it is stabilized.`,
        )
      : verdict('tolerance', 'note', say`Within what the ${yeast.name} can do: expect it to go dry, near ${gravity(figures.fg.value)}.`),
  );
  if (figures.abv.value > HOT_ABV) {
    verdicts.push(
      verdict(
        'hot',
        'note',
        say`${abvPct(figures.abv.value)} is not quality by itself; twice the batch is often better than twice the honey.`,
      ),
    );
  }
  return verdicts;
}

const acidG = (ingredients: readonly PlannedIngredient[]): number =>
  ingredients.reduce((sum, { massG: grams, composition }) => sum + (grams * composition.acidGPerKg) / 1000, 0);

function judgeAcid(plan: MustPlan, { volumeL: liters }: MustFigures): Verdict[] {
  if (liters.value <= 0) return [];
  const during = plan.ingredients.filter(({ stage }) => stage === 'during');
  const sudden = acidG(during) / liters.value;
  const verdicts: Verdict[] = [];
  if (sudden > SUDDEN_ACID_G_PER_L) {
    verdicts.push(
      verdict(
        'sudden-acid',
        'care',
        say`${names(during.filter(({ composition }) => composition.acidGPerKg > 0))} would bring ${gPerL(sudden)} of acid into a fermenting must at once; the pH drops and the yeast can stop dead. Before the pitch is safe. Later, give it in parts two days apart, with carbonate at hand.`,
      ),
    );
  }
  const before = acidG(plan.ingredients.filter(({ stage }) => stage === 'before')) / liters.value;
  if (before > SHARP_ACID_G_PER_L) {
    verdicts.push(
      verdict(
        'sharp',
        'care',
        say`About ${gPerL(before)} of acid from the start: measure the pH before you pitch; below ${phValue(yeastOf(plan).phFloor)} this yeast labors.`,
      ),
    );
  }
  return verdicts;
}

function judgeLabels(plan: MustPlan): Verdict[] {
  const bottledGoods = plan.ingredients.filter(
    ({ family, massG: grams, stage }) => grams > 0 && stage !== 'after' && ['juice', 'dried', 'syrup'].includes(family),
  );
  const bad = bottledGoods.filter(({ preserved }) => preserved === true);
  const unknown = bottledGoods.filter(({ preserved }) => preserved === undefined);
  return [
    ...(bad.length === 0
      ? []
      : [
          verdict(
            'preserved',
            'stop',
            say`${names(bad)}: a preservative stops yeast as surely as it stops mold. Take one without sorbate, benzoate and much sulfite.`,
          ),
        ]),
    ...(unknown.length === 0
      ? []
      : [verdict('label', 'care', say`Read the label of the ${names(unknown)}: sorbate, benzoate or much sulfite would stop the yeast.`)]),
  ];
}

function judgeFruit(plan: MustPlan): Verdict[] {
  const there = (trait: Trait): PlannedIngredient[] =>
    plan.ingredients.filter((ingredient) => ingredient.massG > 0 && ingredient.traits?.includes(trait) === true);
  const notes: [id: string, found: PlannedIngredient[], text: string][] = [
    ['pits', there('pits'), 'keep the pits whole or leave them out; broken ones release cyanide and taste of almond.'],
    ['elder', there('elder'), 'ripe berries only, no green ones, stalks or leaves: they make ill.'],
    ['raisins', there('raisins'), 'flavor and sugar, but hardly any nitrogen; they do not feed the yeast.'],
    ['citrus', there('citrus'), 'smells odd while it ferments; that clears.'],
  ];
  return notes.filter(([, found]) => found.length > 0).map(([id, found, text]) => verdict(id, 'note', say`${names(found)}: ${text}`));
}

const names = (ingredients: readonly PlannedIngredient[]): string => ingredients.map(({ name }) => name).join(', ');
