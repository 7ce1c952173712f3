import { abvPct, gPerL, gravity, massG, percent, say, tempC, verdict, volumeL } from '../quantities/index.ts';
import type { Verdict } from '../quantities/index.ts';
import { PRIMARY_HEADSPACE_PCT, fillOf } from '../vessel/index.ts';
import { yeastToPitchG, yeastType } from '../yeast/index.ts';
import type { MustPlan } from './plan.ts';
import { predictMust } from './predict.ts';

/** Where a must begins to be hard on yeast, SG (trade habit: above 1.120 to 1.130). */
const STRONG_START = 1.12;
const TOO_STRONG_START = 1.135;

/** What a fellow maker would say to this plan, gravest first. */
export function judgeMust(plan: MustPlan, figures: ReturnType<typeof predictMust> = predictMust(plan)): Verdict[] {
  const yeast = yeastType(plan.yeastId);
  const fill = fillOf(plan.vessel.capacityL, figures.volumeL.value);
  const verdicts: Verdict[] = [];
  if (fill.overflowL > 0) {
    verdicts.push(
      verdict(
        'overflow',
        'stop',
        say`${volumeL(fill.overflowL)} will not fit: the ${plan.vessel.name} holds ${volumeL(plan.vessel.capacityL)} to the brim. Make less, or take a larger vessel.`,
      ),
    );
  } else if (fill.headspacePct < PRIMARY_HEADSPACE_PCT) {
    verdicts.push(
      verdict(
        'headspace',
        'care',
        say`Only ${percent(fill.headspacePct)} of the vessel is left for foam; it wants ${percent(PRIMARY_HEADSPACE_PCT)}. Expect it to climb out, or hold some water back.`,
      ),
    );
  } else {
    verdicts.push(
      verdict('headspace', 'note', say`Room for foam: ${volumeL(fill.headspaceL)}, ${percent(fill.headspacePct)} of the vessel. Enough.`),
    );
  }
  if (figures.og.value > TOO_STRONG_START) {
    verdicts.push(
      verdict(
        'start',
        'stop',
        say`${gravity(figures.og.value)} is too strong to start in: the yeast may never begin. Keep part of the honey back and add it once a third of the sugar is gone.`,
      ),
    );
  } else if (figures.og.value > STRONG_START) {
    verdicts.push(
      verdict(
        'start',
        'care',
        say`${gravity(figures.og.value)} is a hard start for yeast. Rehydrate it, give it air, and feed by the sugar.`,
      ),
    );
  }
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
  if (over > 0) {
    verdicts.push(
      verdict(
        'tolerance',
        over > 3 ? 'care' : 'note',
        say`The sugar would make ${abvPct(figures.abvDry.value)}, but the ${yeast.name} gives up near ${abvPct(yeast.toleranceAbv.value)}: about ${gPerL(figures.sugarLeftGPerL.value)} of sugar stays, and may ferment on until it is stabilized.`,
      ),
    );
  } else {
    verdicts.push(
      verdict('tolerance', 'note', say`Within what the ${yeast.name} can do: expect it to go dry, near ${gravity(figures.fg.value)}.`),
    );
  }
  verdicts.push(verdict('pitch', 'note', say`Pitch about ${massG(yeastToPitchG(figures.volumeL.value, figures.og.value))} of dry yeast.`));
  const weights = { stop: 0, care: 1, note: 2 };
  return verdicts.sort((a, b) => weights[a.weight] - weights[b.weight]);
}
