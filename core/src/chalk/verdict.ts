import { co2FromSugarVolumes, containerOf } from '../carbonate/index.ts';
import { gPerL, gravity, massG, say, volumeL, volumes } from '../quantities/index.ts';
import type { Sentence, Weight } from '../quantities/index.ts';
import { fold } from '../record/index.ts';
import { whyShut } from '../glass/index.ts';
import type { Deed } from './deeds.ts';
import { DRY_G_PER_L } from './law.ts';
import { CHALK_START, runScene } from './run.ts';
import type { Run } from './run.ts';
import type { Scene } from './scene.ts';
import { troubleOf } from './troubles.ts';
import type { TroubleId } from './troubles.ts';

const DAY_H = 24;
/** More sugar than this, standing still, is stuck (our choice). */
const STUCK_G_PER_L = 15;
/** From this hour's share of its alcohol on nitrogen is not taken up; the law's own. */
const FED_LATE = 0.62;

/** One thing that was done well or not, worst first. */
interface Judged {
  id: string;
  weight: Weight;
  /** Said first, in bold. */
  head: Sentence;
  sentence: Sentence;
}

/** How a run ended, beside the one that nobody touched and the one in which nothing was wrong. */
export interface Verdict {
  judged: Judged[];
  /** What was wrong, where something was; and whether the learner named it. */
  trouble: { told: Sentence; evidence: Sentence; named: TroubleId | null; isRight: boolean } | null;
  true: Run;
  leftAlone: Run;
  withoutTrouble: Run | null;
}

/** The first day on which it is dry; null where it never is. */
function dryDay({ sugarGPerL }: Run): number | null {
  const hour = sugarGPerL.findIndex((sugar) => sugar < DRY_G_PER_L);
  return hour < 0 ? null : Math.ceil(hour / DAY_H);
}
const endSugar = ({ sugarGPerL }: Run): number => sugarGPerL.at(-1) ?? 0;
const ended = (run: Run): Sentence => {
  const day = dryDay(run);
  return day === null ? say`ended at ${gravity(run.sg.at(-1) ?? 1)}` : [`was dry on day ${day}`];
};

/**
 * Judges a run by the harm that was spared, worst first.
 *
 * @param untilH at which it is judged; stuck and dry are looked for until then
 * @param named which trouble the learner takes it for
 */
export function judgeRun(scene: Scene, deeds: readonly Deed[], untilH: number, named: TroubleId | null): Verdict {
  const run = runScene(scene, deeds, untilH);
  const leftAlone = runScene(scene, [], untilH);
  const withoutTrouble = scene.trouble === null ? null : runScene({ ...scene, trouble: null }, deeds, untilH);
  const judged = [glassJudged(run, deeds), stuckJudged(run, leftAlone), lostJudged(run), fedJudged(run, deeds), smellJudged(run)].filter(
    (each) => each !== null,
  );
  const order: Weight[] = ['stop', 'care', 'note'];
  return {
    judged: judged.sort((a, b) => order.indexOf(a.weight) - order.indexOf(b.weight)),
    trouble:
      scene.trouble === null
        ? null
        : { told: troubleOf(scene.trouble).told, evidence: troubleOf(scene.trouble).evidence, named, isRight: named === scene.trouble },
    true: run,
    leftAlone,
    withoutTrouble,
  };
}

function glassJudged(run: Run, deeds: readonly Deed[]): Judged | null {
  const { bottles } = run;
  if (bottles === null) {
    const left = endSugar(run);
    if (left < STUCK_G_PER_L) return null;
    const would = co2FromSugarVolumes(left);
    return {
      id: 'glass',
      weight: 'note',
      head: ['No glass burst.'],
      sentence: say`In bottles the ${gPerL(left)} that are left could make ${volumes(would)} of gas; a used beer bottle bears about ${volumes(containerOf('used beer').volumes ?? 0)}.`,
    };
  }
  const filledAt = deeds.find(({ does }) => does === 'bottle' || does === 'prime')?.hour ?? 0;
  const why = whyItBarred(run, filledAt);
  if (bottles.burst > 0)
    return {
      id: 'glass',
      weight: 'stop',
      head: [`${bottles.burst} of ${bottles.filled} bottles burst.`],
      sentence: [
        ...say`${gPerL(bottles.sugarGPerL)} of sugar were in it: fermented in closed glass they make ${volumes(co2FromSugarVolumes(bottles.sugarGPerL))} of gas. `,
        ...(why === null ? ['By your book the cellar would have let you: measure twice.'] : ['The cellar offers no bottle here: ', ...why]),
      ],
    };
  return {
    id: 'glass',
    weight: why === null ? 'note' : 'care',
    head: ['No bottle burst.'],
    sentence: why === null ? ['And your book shows why: it lay still, and dry or kept from new life.'] : ['That was luck: ', ...why],
  };
}

/** What the cellar says of the same bottling, by what the learner wrote down. */
function whyItBarred({ book }: Run, atH: number): Sentence | null {
  const at = CHALK_START + atH * 3_600_000;
  return whyShut(fold(book.filter(({ happenedAt }) => happenedAt <= at)), at);
}

function stuckJudged(run: Run, leftAlone: Run): Judged {
  const [left, alone] = [endSugar(run), endSugar(leftAlone)];
  const day = dryDay(run);
  if (left > STUCK_G_PER_L && run.isSpent)
    return {
      id: 'sweet end',
      weight: 'note',
      head: say`It ended sweet, at ${gravity(run.sg.at(-1) ?? 1)}.`,
      sentence: say`Its yeast has made what it bears; ${gPerL(left)} of sugar are left, and stay.`,
    };
  if (left > STUCK_G_PER_L)
    return {
      id: 'stuck',
      weight: 'care',
      head: say`It stands at ${gravity(run.sg.at(-1) ?? 1)}.`,
      sentence: [...say`${gPerL(left)} of sugar are left; left alone it `, ...ended(leftAlone), '.'],
    };
  const spared = alone > STUCK_G_PER_L;
  return {
    id: 'stuck',
    weight: 'note',
    head: [day === null ? 'It came to its end.' : `It was dry on day ${day}.`],
    sentence: spared ? say`Left alone it would have stood with ${gPerL(alone)} of sugar.` : ['Left alone it would have come there, too.'],
  };
}

function lostJudged({ lostL, stops }: Run): Judged | null {
  if (lostL < 0.05) return null;
  const erupted = stops.some(({ what }) => what === 'erupts');
  return {
    id: 'lost',
    weight: 'care',
    head: say`${volumeL(lostL)} went over the brim.`,
    sentence: erupted
      ? ['Gas goes out slowly, before every powder: stir a little, wait, stir again.']
      : ['It foamed beyond its vessel: leave a fifth of it empty, more over fruit.'],
  };
}

function fedJudged(run: Run, deeds: readonly Deed[]): Judged | null {
  const most = Math.max(...run.abv);
  const late = deeds.filter(({ does, hour }) => does === 'feed' && (run.abv[Math.floor(hour)] ?? 0) > FED_LATE * Math.max(most, 12));
  if (late.length === 0) return null;
  const grams = late.reduce((sum, { amount = 0 }) => sum + amount, 0);
  return {
    id: 'fed late',
    weight: 'care',
    head: say`${massG(grams)} were fed for nothing.`,
    sentence: ['That late the yeast takes hardly any of it up; what is left feeds what spoils mead.'],
  };
}

function smellJudged({ must }: Run): Judged | null {
  if (must.sulfur < 1) return null;
  return {
    id: 'smell',
    weight: 'care',
    head: ['It still smells of sulfur.'],
    sentence: ['Hungry yeast makes it; food in good time, and a rousing, let it go.'],
  };
}
