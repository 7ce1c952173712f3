import type { Mark, Staircase } from '@hollow-bell/core/feed';
import { stackAt } from './drawing.ts';
import type { NitrogenAxis } from './drawing.ts';

/** Where things stand across and up the drawing. */
export interface Scale {
  width: number;
  x: (mark: Mark) => number;
  y: (mgPerL: number) => number;
}

export interface Line {
  id: string;
  label: string;
  x: number;
  row: number;
  isLeft: boolean;
}
/** About what a letter of a label takes. */
const LETTER = 6.6;
const ROWS = [0, 1, 2];

/** Marks on the axis; a label that would run into another stands a row lower. */
export function axisLines({ thirdBreak, half, ammoniumCutoff, now }: Staircase, { width, x }: Scale): Line[] {
  const marks = [
    { id: 'third', label: 'third break', x: x(thirdBreak) },
    ...(ammoniumCutoff === null ? [] : [{ id: 'cutoff', label: 'no ammonium from here', x: x(ammoniumCutoff) }]),
    { id: 'half', label: 'nothing from here', x: x(half) },
    { id: 'now', label: 'now', x: x(now) },
  ].filter((mark) => mark.x < width);
  const taken: { row: number; from: number; to: number }[] = [];
  return marks.map((mark): Line => {
    const long = mark.label.length * LETTER;
    const isLeft = mark.x > width - long;
    const [from, to] = isLeft ? [mark.x - long, mark.x + 4] : [mark.x - 4, mark.x + long];
    const isFree = (row: number): boolean => !taken.some((other) => other.row === row && other.from < to && from < other.to);
    const row = ROWS.find(isFree) ?? 2;
    taken.push({ row, from, to });
    return { ...mark, row, isLeft };
  });
}

export interface DoseMark {
  x: number;
  number: string;
  told: string;
}

/** Doses by where they stand: those too near each other share one mark. */
export function doseMarks({ stairs, wasted }: Staircase, { x }: Scale, tell: (stair: Staircase['stairs'][number]) => string): DoseMark[] {
  const marks: { x: number; numbers: Set<string>; told: string[] }[] = [];
  for (const stair of [...stairs, ...wasted]) {
    const number = /\d+/.exec(stair.label)?.[0] ?? '';
    const near = marks.find((mark) => Math.abs(mark.x - x(stair)) < 2 * LETTER);
    if (near === undefined) marks.push({ x: x(stair), numbers: new Set([number]), told: [tell(stair)] });
    else {
      near.numbers.add(number);
      near.told.push(tell(stair));
    }
  }
  return marks.map((mark) => ({ x: mark.x, number: [...mark.numbers].sort().join(' '), told: mark.told.join('; ') }));
}

export interface WastedBar {
  x: number;
  y: number;
  height: number;
  label: string;
}
const BAR = 12;

/** What came too late hangs above what was of use, one upon the other. */
export function wastedBars(drawn: Staircase, axis: NitrogenAxis, { width, x, y }: Scale): WastedBar[] {
  const hung = new Map<number, number>();
  return drawn.wasted.map((stair) => {
    const at = x(stair);
    const from = hung.get(at) ?? stackAt(drawn, axis, stair);
    const to = from + stair.mgPerL;
    hung.set(at, to);
    return { x: Math.min(at, width - BAR), y: y(to), height: y(from) - y(to), label: stair.label };
  });
}

const TICK_WIDTH = 76;
const SHARES = [0, 1 / 9, 2 / 9, 1 / 3, 1 / 2];

/** Days along the clock, gravities along the sugar. @param gravityAt what a share of the sugar gone reads, as text */
export function axisTicks(
  { lastHour }: Staircase,
  axis: NitrogenAxis,
  { width, x }: Scale,
  gravityAt: (share: number) => string,
): { x: number; label: string }[] {
  if (axis === 'gravity')
    return SHARES.map((share) => ({ x: x({ hour: 0, share }), label: gravityAt(share) })).filter(
      (tick, i, all) => i === 0 || tick.x - (all[i - 1]?.x ?? 0) > TICK_WIDTH - 20,
    );
  const days = Math.floor(lastHour / 24);
  const every = Math.max(1, Math.ceil(days / (width / TICK_WIDTH)));
  return Array.from({ length: Math.floor(days / every) + 1 }, (_, i) => ({
    x: x({ hour: 24 * i * every, share: 0 }),
    label: i === 0 ? 'pitch' : `day ${i * every}`,
  }));
}
