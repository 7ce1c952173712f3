import { say, tempC } from '../../../quantities/index.ts';
import { NOT_KNOWN, finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const heat: StallCause = {
  id: 'heat',
  name: 'Too hot',
  usual: 0.4,
  weigh: ({ temps, yeast, abv }) => {
    const hottest = Math.max(...temps.map((point) => point.tempC));
    if (!Number.isFinite(hottest)) return [finding(NOT_KNOWN, say`No temperature is on record.`)];
    if (hottest <= yeast.tempC.high + 1) return [finding(-4, say`It was never above ${tempC(hottest)}.`)];
    return [
      finding(3, say`It stood at ${tempC(hottest)}, and this yeast bears ${tempC(yeast.tempC.high)}.`),
      ...(abv > 7 ? [finding(1, say`Heat and alcohol together kill yeast.`)] : []),
    ];
  },
  check: say`Ask how warm the room was, and whether the vessel stood in the sun.`,
};
