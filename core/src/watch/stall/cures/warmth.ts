import { WARM_C_A_DAY } from '../../../yeast/index.ts';
import { degrees, hours, say, tempC } from '../../../quantities/index.ts';
import { warmedReadAgainH, warmingH } from '../cureUnderWay.ts';
import { cureOf, deed, middleC } from './cure.ts';
import type { CureRule } from './cure.ts';

export const warm: CureRule = (ailing) => {
  const { tempC: now, yeast } = ailing.evidence;
  if (now === null || now >= yeast.tempC.low + 1) return null;
  const toC = middleC(ailing);
  const told = say`Warm it to ${tempC(toC)}, by no more than ${degrees(WARM_C_A_DAY)} a day: some ${hours(warmingH(now, toC))}.`;
  return { ...cureOf('warm', told, deed(say`Warming it to ${tempC(toC)}`, { cure: 'warm', toC })), readAgainH: warmedReadAgainH(now, toC) };
};

export const cool: CureRule = (ailing) => {
  const { tempC: now, yeast } = ailing.evidence;
  if (now === null || now <= yeast.tempC.high) return null;
  const toC = middleC(ailing);
  return cureOf(
    'cool',
    say`Bring it down to ${tempC(toC)}, a wet towel round it.`,
    deed(say`Cooling it to ${tempC(toC)}`, { cure: 'cool', toC }),
  );
};
