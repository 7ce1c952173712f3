/** A value with the range it lies in four times out of five (10–90 %). */
/** A range as wide as this share of its middle to either side tells more than the middle does. */
const ROUGH_SHARE = 0.5;

/** Whether a figure is mostly doubt, as the sugar of a mead near dryness is. */
export const isRough = ({ value, low, high }: Ranged): boolean => value > 0 && (high - low) / 2 > ROUGH_SHARE * value;

export interface Ranged {
  value: number;
  low: number;
  high: number;
}

/** A 10–90 % range reaches so many standard deviations to each side of a normal middle. */
export const RANGE_SD = 1.2816;

export const exactly = (value: number): Ranged => ({ value, low: value, high: value });

export const within = (value: number, plusMinus: number): Ranged => ({ value, low: value - plusMinus, high: value + plusMinus });

/**
 * Carries input ranges through a computation: each input is moved to its low and high end alone, the swings are
 * joined as a root of the sum of squares, each side by itself. First-order error propagation (ISO/IEC Guide 98-3:2008,
 * clause 5.1.2), right for independent inputs and nearly linear functions over their ranges.
 *
 * @param compute numbers in the order of `inputs` → results by name
 */
export function propagate<K extends string>(
  inputs: readonly Ranged[],
  compute: (values: number[]) => Record<K, number>,
): Record<K, Ranged> {
  const center = inputs.map((input) => input.value);
  const middle = compute(center);
  const names = Object.keys(middle) as K[];
  const down = new Map(names.map((name) => [name, 0]));
  const up = new Map(names.map((name) => [name, 0]));
  inputs.forEach((input, i) => {
    if (input.low === input.high) return;
    const ends = [input.low, input.high].map((end) => compute(center.with(i, end)));
    for (const name of names) {
      const swings = ends.map((end) => end[name] - middle[name]);
      down.set(name, (down.get(name) ?? 0) + Math.min(0, ...swings) ** 2);
      up.set(name, (up.get(name) ?? 0) + Math.max(0, ...swings) ** 2);
    }
  });
  const ranged = names.map((name): [K, Ranged] => [
    name,
    {
      value: middle[name],
      low: middle[name] - Math.sqrt(down.get(name) ?? 0),
      high: middle[name] + Math.sqrt(up.get(name) ?? 0),
    },
  ]);
  return Object.fromEntries(ranged) as Record<K, Ranged>;
}
