import { Refusal, requireWithin } from '../quantities/index.ts';

/** Del Vecchio, Dayharsh and Baselt, Proc. Am. Soc. Brew. Chem. (1951) 45: a minute at 60 °C is one unit, 1.393 times as many for each degree more. */
export const UNIT_AT_C = 60;
const PER_DEGREE = 1.393;
/** The same as a z value, K for ten times the rate. */
export const Z_K = Math.LN10 / Math.log(PER_DEGREE);

const coreC = (tempC: number): number => requireWithin('The temperature', tempC, -10, 110, '°C');

/** Pasteurization units a minute at `tempC` is worth. @param zK above 0 */
export function lethalRate(tempC: number, zK = Z_K, unitAtC = UNIT_AT_C): number {
  if (!(zK > 0)) throw new Refusal('The z value must be above 0.', 'z');
  return 10 ** ((tempC - unitAtC) / zK);
}

/** A moment of a log: minutes from its start, and the core. */
export interface HeatPoint {
  minute: number;
  tempC: number;
}

/** Refuses a log whose minutes do not rise, and temperatures that no bath makes. @throws Refusal */
function checkLog(log: readonly HeatPoint[]): void {
  log.forEach(({ minute, tempC }, i) => {
    coreC(tempC);
    if (minute <= (log[i - 1]?.minute ?? Number.NEGATIVE_INFINITY))
      throw new Refusal('The log is out of order: each line must be later than the one before.', 'log');
  });
}

/**
 * Pasteurization units of a log, by trapezoids of the rate. Steps of a minute overstate a rise of a degree a minute by 1 %.
 * @param fromC colder than this counts nothing, as some houses have it
 * @throws Refusal for a log out of order or temperatures outside −10 to 110 °C
 */
export function unitsOf(log: readonly HeatPoint[], { zK = Z_K, unitAtC = UNIT_AT_C, fromC = Number.NEGATIVE_INFINITY } = {}): number {
  checkLog(log);
  const rate = (tempC: number): number => (tempC < fromC ? 0 : lethalRate(tempC, zK, unitAtC));
  return log.slice(1).reduce((sum, { minute, tempC }, i) => {
    const before = log[i] as HeatPoint;
    return sum + ((rate(before.tempC) + rate(tempC)) / 2) * (minute - before.minute);
  }, 0);
}

/** Minutes at a steady core temperature for what is still missing; 0 where nothing is. @param targetUnits above 0 */
export function holdMinutes(targetUnits: number, tempC: number, haveUnits = 0, zK = Z_K, unitAtC = UNIT_AT_C): number {
  if (!(targetUnits > 0)) throw new Refusal('Want more than no units.', 'targetUnits');
  return Math.max(0, targetUnits - haveUnits) / lethalRate(coreC(tempC), zK, unitAtC);
}
