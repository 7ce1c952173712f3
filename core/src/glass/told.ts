import { co2FromSugarVolumes, volumesFromPoints } from '../carbonate/index.ts';
import { gPerL, gravity, hours, onDay, points as inPoints, say, tempC, volumes, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import type { ExpectedEnd } from './end.ts';
import type { Facts, Sign } from './facts.ts';
import { COLD_BELOW_LOW_C, GUARD_READ, GUARD_WAIT_H } from './limits.ts';
import type { Level } from './level.ts';
import type { Ground, Guarding } from './still.ts';
import type { Way } from './ways.ts';

/* What the judgement says. A sentence of it stands here and nowhere else, so that no page says two things. */

export interface Told {
  facts: Facts;
  ground: Ground;
  signs: readonly Sign[];
  end: ExpectedEnd | null;
  ledger: Ledger;
}

const SIGN_TOLD: Record<Sign['of'], string> = {
  bubbling: 'it bubbled',
  foam: 'it foamed',
  prickle: 'it prickled strongly on the tongue',
  film: 'a film lay on it',
  mold: 'mold grew on it',
};

const levelOf = (ground: Ground): Level | null => ('level' in ground ? ground.level : null);
const sugarGPerL = ({ ledger }: Told): number => {
  const mixed = mixedOf(ledger);
  return mixed === null ? 0 : ledger.liquid.sugarG / mixed.volumeL;
};

/** What a point makes in a mead of the middle: between meads it differs by less than it is known. */
const VOLUMES_A_POINT = volumesFromPoints(1, 1.01, 10);
/** Gas that so many points would make if they still went. */
const gasOfPoints = (count: number): number => Math.max(0, count) * VOLUMES_A_POINT;

const standsTold = ({ looks, since, last, days }: Level): Sentence =>
  looks.length === 1
    ? say`In the warm it was last read ${onDay(last.at)}: ${gravity(last.sg)}, once.`
    : say`It stands at ${gravity(last.sg)}: ${onDay(since)} to ${onDay(last.at)}, ${String(looks.length)} readings over ${hours(24 * days)} in the warm.`;

const HOW: Record<Guarding['by'], string> = { dose: 'Sulfite and sorbate', heat: 'Heat' };

export function knownTold({ ground }: Told): Sentence | null {
  if (ground.row === 'guarded')
    return [
      ...(ground.by === 'dose' ? say`Sulfite and sorbate guard it` : say`It was heated`),
      ...say`; the last of guard and sweetening was ${when(ground.settledAt)}. It should read ${gravity(ground.expectedSg)}`,
      ...(ground.last === null ? say`.` : say`, and reads ${gravity(ground.last.sg)}, ${onDay(ground.last.at)}.`),
    ];
  const level = levelOf(ground);
  return level === null ? null : standsTold(level);
}

export function doubtTold(told: Told): Sentence | null {
  const { ground, end, facts } = told;
  if (end === null || ground.row === 'guarded') return null;
  const left = Math.max(0, 1000 * (facts.sg - end.sg.value));
  return say`Expected to end at ${gravity(end.sg.value)} (${gravity(end.sg.low)} to ${gravity(end.sg.high)}): ${inPoints(left)} left by that, at about ${volumes(gasOfPoints(1))} of gas each.`;
}

/** How cold it stands, where that is why its days do not count. */
function coldTold({ facts }: Told): Sentence | null {
  const last = facts.warmths.at(-1);
  return last === undefined || last.tempC >= facts.lowC - COLD_BELOW_LOW_C
    ? null
    : say`It stands at ${tempC(last.tempC)}, where its yeast rests: no day in the cold shows that it has ended, and the first warm week may start it again.`;
}

function guardedTold(ground: Guarding): Sentence {
  const { by, last, expectedSg, readyAt, settledAt, isStill } = ground;
  if (last !== null && expectedSg - last.sg > GUARD_READ.asExpectedSg)
    return say`It reads ${gravity(last.sg)}, less than the ${gravity(expectedSg)} that its honey and powders should have made of it: it may ferment under them, and closed glass would burst.`;
  if (!isStill)
    return by === 'heat'
      ? say`It still worked when it was heated: two readings a week apart show that all of it was reached.`
      : say`It was not still when sulfite and sorbate went in, and they stop no living yeast. Closed glass would burst.`;
  if (last === null || last.at < settledAt)
    return say`${HOW[by]} and what sweetened it want ${hours(GUARD_WAIT_H[by])}, and a reading after that: it was not read since ${when(settledAt)}.`;
  if (last.at < readyAt)
    return say`Read ${when(last.at)}, before ${hours(GUARD_WAIT_H[by])} were over: that shows only that it was stirred. It wants a reading after ${when(readyAt)}.`;
  return say`It reads ${gravity(last.sg)}, where the ledger has ${gravity(expectedSg)}: one more reading, two days after that one, shows whether it stands.`;
}

const WENT_IN = { sugar: 'sugar', sweetener: 'a sweetener', water: 'water', yeast: 'yeast', blend: 'another mead' } as const;
function unreadTold({ turns }: Facts): Sentence {
  const last = turns.at(-1);
  const proves = 'Silence proves nothing, and what ferments on in closed glass bursts it.';
  return last === undefined
    ? ['Nobody has read it in the warm since the pitch. ', proves]
    : [...say`It was not read since ${WENT_IN[last.what]} went in, ${onDay(last.at)}. `, proves];
}

/** Why it is shut. */
export function shutTold(told: Told): Sentence {
  const { ground, facts } = told;
  const cold = coldTold(told);
  if (ground.row === 'guarded') return guardedTold(ground);
  if (ground.row === 'unpitched') return say`No yeast is in it yet. What begins in closed glass bursts it.`;
  if (ground.row === 'unread') return cold ?? unreadTold(facts);
  const level = levelOf(ground) as Level;
  const left = Math.max(0, level.points);
  if (level.isUnread)
    return say`What went in since ${onDay(level.last.at)} moved its gravity: one reading shows that it stands where it should.`;
  switch (ground.row) {
    case 'sweetened':
      return say`Sugar went into it and nothing guards it: about ${gPerL(sugarGPerL(told))}, which living yeast eats. Closed glass would burst.`;
    case 'at its limit':
      return say`It is sweet, about ${gPerL(sugarGPerL(told))}, at the limit of its yeast. That limit is good to one or two % vol: only long stillness, or guard, makes it worth a question.`;
    case 'stays':
      return say`It stands at ${gravity(level.last.sg)}, ${inPoints(left)} above where it should stop, with about ${gPerL(sugarGPerL(told))} of sugar. Stopped is not stable: what wakes up in closed glass bursts it.`;
    case 'moving':
      return (
        cold ??
        say`It read ${gravity(level.last.sg)}, ${inPoints(left)} above where it should stop, and has not been seen to stand there. Closed glass would burst.`
      );
    default:
      return (
        cold ??
        (level.count < 2
          ? say`It looks dry, and may be. One look does not show that it has stopped.`
          : say`It looks dry, and may be. Equal readings over ${hours(24 * level.days)} do not yet show that nothing ferments.`)
      );
  }
}

/** Why it is open. */
export function openTold({ ground }: Told): Sentence {
  if (ground.row === 'guarded') return say`Guarded, and read as it should be: it may go into glass.`;
  const level = levelOf(ground);
  return level === null
    ? say`It may go into glass.`
    : say`Dry, and still at ${gravity(level.last.sg)} over ${hours(24 * level.days)}: it may go into glass.`;
}

const IF_YES = 'Fill sparkling-wine bottles rather than thin glass, keep them cool and in a closed box, and open one after two weeks.';

/** What it asks, and why. */
export function askedTold(told: Told): { why: Sentence; question: Sentence } {
  const { ground, signs } = told;
  const level = levelOf(ground);
  const left = Math.max(0, level?.points ?? 0);
  const seen = signs.at(-1);
  if (seen !== undefined) {
    const isGrowth = seen.of === 'film' || seen.of === 'mold';
    const why = isGrowth
      ? say`${capital(SIGN_TOLD[seen.of])}, ${onDay(seen.at)}, and what it was is not written down.`
      : say`Since its last reading, ${onDay(seen.at)}, ${SIGN_TOLD[seen.of]}: gas that leaves, or yeast at work.`;
    return {
      why,
      question: isGrowth
        ? [...why, ' Was it harmless, smelled and tasted so, and is it to be bottled? Mold is thrown out, not drunk.']
        : [...why, ...say` A point is about ${volumes(gasOfPoints(1))}. Is it to be bottled without another reading? ${IF_YES}`],
    };
  }
  if (ground.row === 'guarded') {
    const why = ground.isOld
      ? say`Honey went onto powders that are over half a year old, and free SO₂ was not read since: sulfite has faded by now.`
      : say`It is hazy, and the more yeast is left in it, the less sulfite and sorbate hold it.`;
    return { why, question: [...why, ...say` Is it to be bottled? ${IF_YES}`] };
  }
  const sweet = co2FromSugarVolumes(sugarGPerL(told));
  const rests = ground.row === 'at its limit' ? say` where its yeast gives up` : say`, ${inPoints(left)} above where it should stop`;
  const why =
    ground.row === 'near'
      ? say`It rests ${inPoints(left)} above where it should stop: were those still to go, they would make about ${volumes(gasOfPoints(left))} of gas. Two readings over ${hours(24 * (level?.days ?? 0))} speak against it.`
      : [
          ...say`It rests with about ${gPerL(sugarGPerL(told))} of sugar`,
          ...rests,
          ...say`: were that to wake up, it would make about ${volumes(sweet)} of gas. ${hours(24 * (level?.days ?? 0))} of stillness speak against it.`,
        ];
  return { why, question: [...why, ...say` Is it to be bottled as it is? ${IF_YES}`] };
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What is missing to the nearest way, as one deed and its day. */
export function missingTold({ facts }: Told, ways: readonly Way[]): Sentence | null {
  const [way] = ways;
  return way === undefined ? null : wayTold(way, facts.lowC);
}

/** How equal a reading must be, SG. */
const EITHER_WAY_SG = 0.001;

/** A way in words: its deeds, and the day of the last. */
function wayTold({ id, steps, at, sg, becomes }: Way, lowC: number): Sentence {
  const reads = steps.filter(({ deed }) => deed === 'read').length;
  const warm = steps.some(({ deed }) => deed === 'warm') ? say`bring it to ${tempC(lowC)} or more; then ` : [];
  const opens = becomes === 'ask' ? ' is worth the question' : ' opens it';
  return [...warm, ...readsTold(reads, sg, at, opens), ...endTold(id)];
}

function readsTold(reads: number, sg: number, at: number, opens: string): Sentence {
  if (reads === 0) return say`your word that it stays here${opens}, from ${onDay(at)} on.`;
  return reads === 1
    ? say`one reading of ${gravity(sg - EITHER_WAY_SG)} to ${gravity(sg + EITHER_WAY_SG)}, ${onDay(at)} or later,${opens}.`
    : say`${String(reads)} equal readings, the last ${onDay(at)} or later,${opens}.`;
}

const ENDS: Partial<Record<Way['id'], string>> = {
  word: ' It wants your word that it stays here.',
  guard: ' Sulfite and sorbate go in first.',
  ferment: ' It has to work itself out first.',
};
const endTold = (id: Way['id']): Sentence => (ENDS[id] === undefined ? [] : [ENDS[id]]);

const WAY_NAMES: Record<Way['id'], string> = {
  read: 'Wait and read',
  warm: 'Warm it and read',
  word: 'Say that it stays',
  guard: 'Guard it',
  ferment: 'Let it work',
};

/** Each way by name, in words. */
export const waysTold = (ways: readonly Way[], lowC: number): { id: Way['id']; name: string; sentence: Sentence }[] =>
  ways.map((way) => ({ id: way.id, name: WAY_NAMES[way.id], sentence: wayTold(way, lowC) }));

/** Why no way leads to glass, and what instead. */
export const neverTold = ({ ground }: Told): Sentence =>
  ground.row === 'unpitched'
    ? say`It is a must: pitch it first.`
    : say`As it is, it never goes into glass: it is sweet and alive, and no waiting makes it safe. Guard it with sulfite and sorbate or with heat, put it into a keg with a relief valve, or keep it cold and drink it from the vessel.`;
