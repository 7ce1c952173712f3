import { drippingRange } from '../ingredients/index.ts';
import { MUST_SULFITE_WAIT_H, SO2_IN } from '../preservatives/index.ts';
import { degrees, gravity, hours, massG, mgPerL, say, tempC, volumeL, weighedG } from '../quantities/index.ts';
import type { ScaleG, Sentence } from '../quantities/index.ts';
import { ATTEMPERATION, MUST_TEMP_C, SUDDEN_ACID_G_PER_L, rehydrationOf, yeastOf, yeastToPitchG } from '../yeast/index.ts';
import { asMixed } from './plan.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';
import { predictMust } from './predict.ts';
import type { MustFigures } from './predict.ts';
import { FEED_AT_SG } from './stepFeeding.ts';

/** How the maker goes about it; makers differ on every one of these. */
export interface BrewSchools {
  /** What is done to fresh fruit before yeast meets it. */
  fruit: 'pasteurize' | 'sulfite' | 'none';
  pecticEnzyme: boolean;
  /** 50 mg/L of sulfite in the must, a day before the pitch. */
  mustSulfite: boolean;
  pitch: 'rehydrate' | 'sprinkle';
  /** What the house's scale tells apart, g. */
  scaleG?: ScaleG | undefined;
}

type StepDeed =
  | { kind: 'tick' }
  | { kind: 'stir' }
  | { kind: 'water'; volumeL: number }
  | { kind: 'ingredient'; ingredientId: string; massG: number }
  | { kind: 'sulfite'; massG: number }
  /** Pulp of one ingredient lifted out, as it drips. */
  | { kind: 'strain'; massG: number; insolubleG: number; of: string }
  | { kind: 'reading' }
  | { kind: 'pitch'; massG: number };

/** One step of the brew day, in working order. */
export interface BrewStep {
  id: string;
  part: 'ready' | 'mix' | 'measure' | 'pitch' | 'later';
  title: string;
  sentence: Sentence;
  caution: Sentence | null;
  deed: StepDeed;
  /** Hours to wait after it. */
  waitH: number;
  /** What a timer is set to while it is done. */
  minutes: number | null;
}

/** Until honey lies on no floor (our estimate). */
const STIR_MIN = 5;
const MUST_SO2_MG_PER_L = 50;
/** All through, for a minute (trade practice for fruit purée). */
const PASTEURIZE_C = 71;

const step = (
  id: string,
  part: BrewStep['part'],
  title: string,
  sentence: Sentence,
  deed: StepDeed = { kind: 'tick' },
  more: { caution?: Sentence; waitH?: number; minutes?: number } = {},
): BrewStep => ({
  id,
  part,
  title,
  sentence,
  deed,
  caution: more.caution ?? null,
  waitH: more.waitH ?? 0,
  minutes: more.minutes ?? null,
});

/** The must as it really is, once it is poured: the yeast is reckoned for that. */
export interface Poured {
  volumeL: number;
  sg: number;
}

/** The plan as ordered steps with amounts, temperatures and cautions. */
export function brewDay(plan: MustPlan, figures: MustFigures, schools: BrewSchools, poured: Poured | null = null): BrewStep[] {
  const mixed = asMixed(plan);
  const begins = mixed === plan ? figures : predictMust(mixed);
  return [
    ...makeReady(plan),
    ...mixing(mixed, begins, schools),
    ...measuring(begins),
    ...pitching(plan, poured ?? { volumeL: begins.volumeL.value, sg: begins.og.value }, schools),
    ...later(plan, figures.volumeL.value),
  ];
}

function makeReady(plan: MustPlan): BrewStep[] {
  return [
    step(
      'clean',
      'ready',
      'Clean, then sanitize',
      say`The ${plan.vessel.name}, lid, airlock, spoon, jug, hydrometer and its jar. Fresh solution.`,
      undefined,
      {
        caution: say`Gloves for concentrated solutions; never mix two of them.`,
      },
    ),
    step(
      'bring-to-temp',
      'ready',
      'Bring everything to the room',
      say`Honey pours and dissolves more easily when it stands at ${tempC(20)} to ${tempC(25)} first.`,
    ),
  ];
}

function mixing(plan: MustPlan, figures: MustFigures, schools: BrewSchools): BrewStep[] {
  const before = plan.ingredients.filter(({ stage, massG: grams }) => stage === 'before' && grams > 0);
  const honeys = before.filter(({ family }) => family === 'honey');
  const fruits = before.filter(({ family }) => family === 'fruit');
  const rest = before.filter(({ family }) => family !== 'honey' && family !== 'fruit');
  const sulfites = schools.mustSulfite || (schools.fruit === 'sulfite' && fruits.length > 0);
  const steps: BrewStep[] = [];
  if (plan.waterL > 0)
    steps.push(
      step(
        'water',
        'mix',
        'Water',
        say`${volumeL(plan.waterL)} free of chlorine, measured. Keep some of it to rinse the jars; up to ${tempC(45)} helps the honey dissolve.`,
        {
          kind: 'water',
          volumeL: plan.waterL,
        },
      ),
    );
  for (const honey of honeys)
    steps.push(pourStep(honey, say`${massG(honey.massG)}, weighed. Rinse its jar with some of the measured water.`));
  for (const other of rest) steps.push(pourStep(other, pourSentence(other)));
  for (const fruit of fruits) steps.push(...fruitSteps(fruit, schools.fruit === 'pasteurize', sulfites));
  if (honeys.length > 0)
    steps.push(
      step(
        'stir',
        'mix',
        'Stir until nothing lies on the bottom',
        say`${String(STIR_MIN)} minutes and scrape the floor. Honey that lies on the bottom makes every reading wrong.`,
        {
          kind: 'stir',
        },
        { minutes: STIR_MIN },
      ),
    );
  if (sulfites) steps.push(sulfiteStep(figures.volumeL.value));
  if (schools.pecticEnzyme && fruits.length > 0)
    steps.push(
      step(
        'enzyme',
        'mix',
        'Pectic enzyme',
        say`As its packet says, ${sulfites ? 'once the sulfite has had its day' : 'now'}; it wants some hours before the yeast, and dislikes heat.`,
        undefined,
        { waitH: 12 },
      ),
    );
  return steps;
}

const pourStep = (ingredient: PlannedIngredient, sentence: Sentence, caution?: Sentence): BrewStep =>
  step(
    ingredient.id,
    'mix',
    ingredient.name,
    sentence,
    { kind: 'ingredient', ingredientId: ingredient.id, massG: ingredient.massG },
    caution === undefined ? {} : { caution },
  );

function pourSentence({ massG: grams, bagDays, family }: PlannedIngredient): Sentence {
  const bag = bagDays === undefined ? '.' : `, in a bag that comes out after ${bagDays} ${bagDays === 1 ? 'day' : 'days'}.`;
  return family === 'juice'
    ? [...say`${massG(grams)}, weighed`, `${bag} No sorbate or benzoate on its label.`]
    : [...say`${massG(grams)}`, bag];
}

function fruitSteps(fruit: PlannedIngredient, isHeated: boolean, isSulfited: boolean): BrewStep[] {
  const pour = pourStep(fruit, pourSentence(fruit));
  const ready =
    fruit.form === 'purée'
      ? ''
      : fruit.form === 'frozen'
        ? ' Thaw it first and keep the juice.'
        : ' Rinse, pick over, cut or crush; leave pits whole.';
  if (isHeated) {
    const crush = fruit.form === 'purée' ? '' : `${ready.trim()} Crush it; no pit may break. `;
    const heat = step(
      `${fruit.id} heat`,
      'mix',
      `Heat the ${fruit.name}`,
      [crush, ...say`To ${tempC(PASTEURIZE_C)} all through, a minute, then cool below ${tempC(30)} before it goes in.`],
      undefined,
      { caution: say`Hot purée spits. Use a deep pot and cool it in a water bath.` },
    );
    return [heat, pour];
  }
  return [{ ...pour, sentence: [...pour.sentence, ready, isSulfited ? ' The sulfite below does the rest.' : ''] }];
}

function sulfiteStep(liters: number): BrewStep {
  const grams = (MUST_SO2_MG_PER_L * liters) / 1000 / SO2_IN.potassium;
  return step(
    'sulfite',
    'mix',
    'Sulfite the must',
    say`${massG(grams)} of potassium metabisulfite brings ${mgPerL(MUST_SO2_MG_PER_L)}; cover and wait ${hours(MUST_SULFITE_WAIT_H)} before the yeast.`,
    { kind: 'sulfite', massG: grams },
    { waitH: MUST_SULFITE_WAIT_H, caution: say`Its fumes bite, and can harm people with asthma: weigh it in moving air.` },
  );
}

function measuring({ og, volumeL: liters }: MustFigures): BrewStep[] {
  return [
    step(
      'measure',
      'measure',
      'Measure',
      say`Gravity near ${gravity(og.value)} (${gravity(og.low)} to ${gravity(og.high)}) in about ${volumeL(liters.value)}. Write down the sample’s temperature too.`,
      { kind: 'reading' },
    ),
  ];
}

function pitching(plan: MustPlan, must: Poured, schools: BrewSchools): BrewStep[] {
  const yeast = yeastOf(plan);
  const grams = weighedG(yeastToPitchG(must.volumeL, must.sg), schools.scaleG);
  const water = rehydrationOf(grams);
  const rehydrate = step(
    'rehydrate',
    'pitch',
    'Rehydrate the yeast',
    say`${massG(grams)} of ${yeast.name} in ${volumeL(water.waterL)} of water at ${tempC(water.tempC)} or as the packet says, ${String(water.minutes)} minutes, with ${massG(water.nutrientG)} of rehydration nutrient if you use it.`,
    undefined,
    { minutes: water.minutes, caution: say`No ammonium salts in this water: they harm yeast that is waking up.` },
  );
  const attemper = step(
    'attemper',
    'pitch',
    'Bring it to the must',
    say`Add must in parts, no change over ${degrees(ATTEMPERATION.maxDropC)} at a time, until it is within ${degrees(ATTEMPERATION.withinC)} of the must.`,
  );
  const pitch = step(
    'pitch',
    'pitch',
    schools.pitch === 'rehydrate' ? 'Pitch' : 'Sprinkle the yeast',
    say`${massG(grams)} of ${yeast.name}. The must below ${tempC(MUST_TEMP_C.most)} and soon within ${tempC(yeast.tempC.low)} to ${tempC(yeast.tempC.high)}.`,
    { kind: 'pitch', massG: grams },
  );
  const air = step('air', 'pitch', 'Give it air', say`Shake it half full or stir hard, some minutes; now is when oxygen is wanted.`);
  return schools.pitch === 'rehydrate' ? [rehydrate, attemper, pitch, air] : [pitch, air];
}

const heldBackSteps = ({ heldBack }: MustPlan): BrewStep[] =>
  heldBack === undefined
    ? []
    : [
        step(
          'held back water',
          'later',
          'The water that was held back',
          say`${volumeL(heldBack.waterL)} on day ${String(heldBack.days)}, once the first foam is over. It thins the must: read before and after.`,
          { kind: 'water', volumeL: heldBack.waterL },
        ),
      ];

function later(plan: MustPlan, liters: number): BrewStep[] {
  const isSudden = ({ massG: grams, composition }: PlannedIngredient): boolean =>
    liters > 0 && (grams * composition.acidGPerKg) / 1000 / liters > SUDDEN_ACID_G_PER_L;
  const during = plan.ingredients.filter(({ stage, massG: grams }) => stage === 'during' && grams > 0);
  const after = plan.ingredients.filter(({ stage, massG: grams }) => stage === 'after' && grams > 0);
  const bags = plan.ingredients.filter(({ bagDays, stage, massG: grams }) => bagDays !== undefined && stage === 'before' && grams > 0);
  return [
    ...heldBackSteps(plan),
    ...during.map((ingredient) =>
      step(
        `later ${ingredient.id}`,
        'later',
        ingredient.name,
        ingredient.family === 'honey'
          ? say`${massG(ingredient.massG)} into the fermenting must when it has fallen to ${gravity(FEED_AT_SG)}.`
          : say`${massG(ingredient.massG)} into the fermenting must once the first foam is over.`,
        { kind: 'ingredient', ingredientId: ingredient.id, massG: ingredient.massG },
        isSudden(ingredient)
          ? { caution: say`So much acid at once can stop the yeast dead: give it in parts two days apart, with carbonate at hand.` }
          : {},
      ),
    ),
    ...bags.map((ingredient) => {
      const insolubleG = ingredient.massG * ingredient.composition.insoluble;
      const dripping = drippingRange({ ...ingredient, insolubleG });
      return step(
        `bag ${ingredient.id}`,
        'later',
        `Bag of ${ingredient.name} out`,
        say`${String(ingredient.bagDays)} days after it went in. Let it drip, press lightly, and weigh it: about ${massG(dripping.low)} to ${massG(dripping.high)}.`,
        { kind: 'strain', massG: dripping.value, insolubleG, of: ingredient.name },
      );
    }),
    ...after.map((ingredient) =>
      step(`after ${ingredient.id}`, 'later', ingredient.name, say`${massG(ingredient.massG)} once the mead is stable, in steps, tasting.`),
    ),
  ];
}
