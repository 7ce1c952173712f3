import { choice, known, maybe, nameShape, number, record } from '../quantities/index.ts';
import { isYeastId } from './types.ts';

/** One of the yeast types; a packet of another has the nearest type and figures of its own. */
export const yeastIdShape = known(isYeastId, 'allround', 'No yeast type goes by that name; choose one of those listed.');

/** What a packet says of its own yeast. */
export const ownYeastShape = record({
  name: maybe(nameShape),
  toleranceAbv: maybe(
    record(
      { value: number(3, 23), low: number(2, 23), high: number(3, 25) },
      { holds: ({ low, value, high }) => low <= value && value <= high, says: 'The tolerance must lie between its own low and high ends.' },
    ),
  ),
  tempC: maybe(record({ low: number(0, 40), high: number(0, 45) })),
  demand: maybe(choice('low', 'medium', 'high', 'unknown')),
  phFloor: maybe(number(2.5, 4)),
});
