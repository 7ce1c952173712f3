import { flag, list, maybe, number, record } from '../../quantities/index.ts';
import type { Immutable, Sentence } from '../../quantities/index.ts';
import { say, volumeL } from '../../quantities/index.ts';
import type { Filled } from '../../vessel/index.ts';
import { vesselShape } from '../../vessel/index.ts';

/** Which vessels it went into, and how much into each. */
export const intoShape = list(record({ vessel: vesselShape, volumeL: number(0, 2000, [0, 8]), companion: maybe(flag) }), 1, 12);
type Into = Immutable<{ vessel: Filled['vessel']; volumeL: number; companion?: boolean | undefined }[]>;

export const filledBy = (into: Into): Filled[] =>
  into.map(({ vessel, volumeL: liters, companion }) => ({ vessel: { ...vessel }, volumeL: liters, isCompanion: companion === true }));

/** The same vessels with so much in them together, each its share as before. */
export function sharing<I extends Into>(into: I, totalL: number): I[number][] {
  const toldL = into.reduce((sum, each) => sum + each.volumeL, 0);
  return into.map((each) => ({ ...each, volumeL: toldL > 0 ? (each.volumeL * totalL) / toldL : totalL / into.length }));
}

/** “4.2 L in the 5 L jug, 0.3 L in the small jug beside it”. */
export const intoTold = (into: Into): Sentence =>
  into.flatMap(({ vessel, volumeL: liters, companion }, i) => [
    i === 0 ? '' : ', ',
    ...say`${volumeL(liters)} in the ${vessel.name}`,
    companion === true ? ' beside it' : '',
  ]);
