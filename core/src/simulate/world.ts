/**
 * A must of which everything is known, for learning, for the simulated instruments and for holding the diagnosis and the
 * forecast to account. Its laws are chosen to differ from those of the forecast: growth toward a limit that nitrogen sets,
 * Contois uptake, alcohol that inhibits along a power, a square-root law of temperature. All figures are our own estimates.
 */
export interface World {
  sugarGPerL: number;
  /** mg N/L at the pitch. */
  nitrogenMgPerL: number;
  /** g/L of dry yeast. */
  pitchGPerL: number;
  toleranceAbv: number;
  /** Below this it rests, above the other it dies. */
  yeastTempC: { low: number; high: number };
  phFloor: number;
  tempC: (hour: number) => number;
  ph: (hour: number) => number;
  feeds: readonly { hour: number; nitrogenMgPerL: number }[];
  /** At this hour something poisons it: so large a share of the yeast dies. */
  shocks: readonly { hour: number; kills: number }[];
  /** Preservative in the must: 0 none, 1 nothing ever grows. */
  preservative: number;
  lagH: number;
  /** Times the usual speed of this yeast. */
  vigor: number;
}

const STEP_H = 0.25;
const ABV_PER_SUGAR = 0.484 / 7.893;
/** g of yeast a liter that a mg of nitrogen lets grow, and what grows without any. */
const YEAST_PER_N = 0.014;
const YEAST_ANYWAY = 0.25;
/** Below this many mg N for a g of sugar, yeast dies of hunger once a third of its strength is reached. */
const NEED_PER_SUGAR = 0.55;
const GROWTH_PER_H = 0.11;
const UPTAKE_PER_H = 0.34;
const CONTOIS = 2.4;

/** Ratkowsky's square-root law, 1 at 22 °C; the yeast rests four degrees below its range. */
function warmth(tempC: number, { low, high }: World['yeastTempC']): number {
  const law = (t: number): number => {
    const [rest, dead] = [low - 7, high + 10];
    return t <= rest || t >= dead ? 0 : ((t - rest) * (1 - Math.exp(0.25 * (t - dead)))) ** 2;
  };
  return law(tempC) / law(22);
}

/** The sugar left at each full hour, g/L. */
export function sugarByHour(world: World, hours: number): Float64Array {
  const sugarAt = new Float64Array(hours + 1);
  let sugar = world.sugarGPerL;
  let living = world.pitchGPerL * 0.55;
  let nitrogen = world.nitrogenMgPerL;
  /** What has grown has taken its nitrogen along, and does not give it back when it dies. */
  let everGrown = living;
  let limit = living + YEAST_ANYWAY + YEAST_PER_N * world.nitrogenMgPerL;
  const feeds = [...world.feeds].sort((a, b) => a.hour - b.hour);
  const shocks = [...world.shocks].sort((a, b) => a.hour - b.hour);
  const steps = Math.round(hours / STEP_H);
  for (let step = 0; step <= steps; step++) {
    const hour = step * STEP_H;
    if (Number.isInteger(hour)) sugarAt[hour] = sugar;
    const abv = (world.sugarGPerL - sugar) * ABV_PER_SUGAR;
    while ((feeds[0]?.hour ?? Infinity) <= hour) {
      const late = Math.max(0, 1 - abv / 11);
      const fed = (feeds.shift()?.nitrogenMgPerL ?? 0) * late;
      nitrogen += fed;
      limit += YEAST_PER_N * fed;
    }
    while ((shocks[0]?.hour ?? Infinity) <= hour) living *= 1 - (shocks.shift()?.kills ?? 0);
    if (hour < world.lagH) continue;
    const temp = world.tempC(hour);
    const warm = warmth(temp, world.yeastTempC) * world.vigor;
    const strength = Math.min(1, abv / world.toleranceAbv);
    const sour = 1 / (1 + Math.exp((world.phFloor - 0.12 - world.ph(hour)) / 0.04));
    const grown = GROWTH_PER_H * warm * sour * (1 - strength) * (1 - world.preservative) * living * Math.max(0, 1 - everGrown / limit);
    const heat = Math.max(0, temp - world.yeastTempC.high - 1);
    const hungry = strength > 0.3 ? Math.max(0, 1 - nitrogen / (NEED_PER_SUGAR * world.sugarGPerL)) : 0;
    const chilled = warm === 0 ? 0.003 : 0;
    const dying = 0.0004 + 0.0035 * strength ** 6 + 0.006 * heat + 0.05 * world.preservative + 0.03 * hungry ** 2 + chilled;
    const slowing = (1 - strength) ** 0.75 * sour * (1 - world.preservative);
    const eaten = Math.min(sugar, STEP_H * UPTAKE_PER_H * warm * slowing * living * (sugar / (CONTOIS * living + sugar)));
    sugar -= eaten;
    everGrown += STEP_H * grown;
    living = Math.max(1e-4, living + STEP_H * (grown - dying * living));
  }
  return sugarAt;
}
