/** A color for what a honey or fruit makes; drawings only, nothing is computed from it. */
const COLORS: [RegExp, string][] = [
  [/sour cherr|currant|elderberr|blackberr|red grape|hibiscus|pomegranate/i, '#8f2f45'],
  [/raspberr|strawberr|cranberr|sweet cherr|redcurrant/i, '#bf4a55'],
  [/blueberr|plum|prune/i, '#5a4468'],
  [/gooseberr|kiwi|white grape|^grapes|mint/i, '#b9bd62'],
  [/rhubarb/i, '#d9978c'],
  [/quince|apple|pear|lemon|birch|melon|pineapple/i, '#e3cf7c'],
  [/peach|apricot|orange|mango|passion|rose hip/i, '#dd9247'],
  [/malt|molasses|maple|raisin|date|fig|caramel|tea|oak|cinnamon/i, '#8a5527'],
  [/sugar|dextrose|invert|acid/i, '#e9e6da'],
  [/heather|buckwheat|chestnut|forest|honeydew/i, '#b26f22'],
  [/borage|acacia|clover|rape/i, '#ecd28a'],
  [/linden|lime|meadow|orange/i, '#e0b552'],
];

export function liquidColor(names: readonly string[]): string {
  const name = names[0] ?? '';
  return COLORS.find(([pattern]) => pattern.test(name))?.[1] ?? '#d9a03c';
}

/** Ink that can be read on a color: dark on light ones and on the theme's own, pale on dark ones. */
export function inkOn(color: string): string {
  const hex = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(color);
  if (hex === null) return 'var(--soot)';
  const [red = 0, green = 0, blue = 0] = hex.slice(1).map((part) => Number.parseInt(part, 16));
  return 0.3 * red + 0.59 * green + 0.11 * blue < 110 ? '#fffdf8' : '#1e2422';
}
