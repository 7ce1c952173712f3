import type { Mark, Stair, Staircase } from '@hollow-bell/core/feed';

export type NitrogenAxis = 'clock' | 'gravity';

/** A band of the drawing: nitrogen of one kind, between its lower and its upper outline. */
export interface Band {
  kind: 'honey' | 'fruit' | Stair['kind'];
  isAhead: boolean;
  path: string;
}

export interface Frame {
  width: number;
  height: number;
}

interface Level {
  at: number;
  mgPerL: number;
}

/** Room to the right of the last mark, as a share of the axis. */
const MARGIN = 1.06;

/** Where a mark stands on the axis, 0 to 1: by the hours since the pitch, or by the sugar gone. */
export function axisPosition(staircase: Staircase, axis: NitrogenAxis): (mark: Mark) => number {
  const span =
    axis === 'clock'
      ? staircase.lastHour
      : MARGIN *
        Math.max(staircase.half.share, staircase.now.share, ...[...staircase.stairs, ...staircase.wasted].map(({ share }) => share));
  return (mark) => Math.min(1, Math.max(0, (axis === 'clock' ? mark.hour : mark.share) / span));
}

/** Rising levels of some stairs, from the left edge on. */
function levelsOf(stairs: readonly Stair[], position: (mark: Mark) => number): Level[] {
  let mgPerL = 0;
  const levels: Level[] = [{ at: 0, mgPerL: 0 }];
  for (const stair of [...stairs].sort((a, b) => position(a) - position(b))) {
    mgPerL += stair.mgPerL;
    levels.push({ at: position(stair), mgPerL });
  }
  return levels;
}

const levelAt = (levels: readonly Level[], at: number): number => levels.findLast((level) => level.at <= at)?.mgPerL ?? 0;

/** The bands from the floor up: honey, fruit, what was given, what is still to come. */
export function nitrogenBands(staircase: Staircase, axis: NitrogenAxis, { width, height }: Frame, topMgPerL: number): Band[] {
  const position = axisPosition(staircase, axis);
  const y = (mgPerL: number): string => (height - (height * mgPerL) / topMgPerL).toFixed(1);
  const x = (at: number): string => (at * width).toFixed(1);
  const always = (mgPerL: number): Level[] => [{ at: 0, mgPerL }];
  const of = (kind: Stair['kind'], isAhead: boolean): Level[] =>
    levelsOf(
      staircase.stairs.filter((stair) => stair.kind === kind && (stair.state !== 'given') === isAhead),
      position,
    );
  const layers: { kind: Band['kind']; isAhead: boolean; levels: Level[] }[] = [
    { kind: 'honey', isAhead: false, levels: always(staircase.honeyMgPerL) },
    { kind: 'fruit', isAhead: false, levels: always(staircase.fruitMgPerL) },
    ...([false, true] as const).flatMap((isAhead) =>
      (['amino', 'ammonium'] as const).map((kind) => ({ kind, isAhead, levels: of(kind, isAhead) })),
    ),
  ];
  const edges = [...new Set([0, ...layers.flatMap(({ levels }) => levels.map(({ at }) => at)), 1])].sort((a, b) => a - b);
  const floor = edges.map(() => 0);
  return layers
    .map(({ kind, isAhead, levels }): Band => {
      const bottom = [...floor];
      edges.forEach((at, i) => {
        floor[i] = (floor[i] ?? 0) + levelAt(levels, at);
      });
      const isEmpty = edges.every((_, i) => (floor[i] ?? 0) - (bottom[i] ?? 0) < 1e-9);
      return { kind, isAhead, path: isEmpty ? '' : bandPath(edges, bottom, floor, x, y) };
    })
    .filter(({ path }) => path !== '');
}

function bandPath(
  edges: readonly number[],
  bottom: readonly number[],
  top: readonly number[],
  x: (at: number) => string,
  y: (mgPerL: number) => string,
): string {
  const steps = (levels: readonly number[]): string[] =>
    edges.slice(0, -1).flatMap((at, i) => [`${x(at)} ${y(levels[i] ?? 0)}`, `${x(edges[i + 1] ?? 1)} ${y(levels[i] ?? 0)}`]);
  return `M${[...steps(top), ...steps(bottom).toReversed()].join('L')}Z`;
}

/** The height of the stack at a mark, mg/L: where what came too late is hung. */
export function stackAt(staircase: Staircase, axis: NitrogenAxis, mark: Mark): number {
  const position = axisPosition(staircase, axis);
  const risen = staircase.stairs.filter((stair) => position(stair) <= position(mark));
  return staircase.honeyMgPerL + staircase.fruitMgPerL + risen.reduce((sum, { mgPerL }) => sum + mgPerL, 0);
}

/** The highest point of the drawing, mg/L. */
export const topOf = (staircase: Staircase): number =>
  1.1 *
  Math.max(
    staircase.needMgPerL,
    staircase.honeyMgPerL + staircase.fruitMgPerL + [...staircase.stairs, ...staircase.wasted].reduce((sum, { mgPerL }) => sum + mgPerL, 0),
  );
