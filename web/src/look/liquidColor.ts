/** A color for what a honey makes; drawings only, nothing is computed from it. */
const HONEY_COLORS: [RegExp, string][] = [
  [/heather|buckwheat|chestnut|forest/i, '#b26f22'],
  [/borage|acacia|clover|rape/i, '#ecd28a'],
  [/linden|lime|meadow|orange/i, '#e0b552'],
];

export function liquidColor(honeyNames: readonly string[]): string {
  const name = honeyNames[0] ?? '';
  return HONEY_COLORS.find(([pattern]) => pattern.test(name))?.[1] ?? '#d9a03c';
}
