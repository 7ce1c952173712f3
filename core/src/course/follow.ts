import type { Grid, Setting } from './model.ts';

/** Sugar left at a reading, g/L, with its standard deviation. */
export interface SugarReading {
  hour: number;
  sugarGPerL: number;
  sd: number;
}

/**
 * Yeast does not keep to any law: a must runs ahead of one or behind it, now faster, now slower. So wide is its speed, as a standard
 * deviation of the logarithm, and for so many hours it keeps to it (our estimates).
 */
export const SPEED_SD = 0.25;
export const SPEED_KEEPS_H = 14 * 24;
/** What the balance of masses itself does not know of a reading, as a share of the sugar at the pitch (our estimate). */
const BALANCE_SD = 0.006;

/** How far a must is ahead of its law, h, and how much faster than it just now; with their doubt. */
export interface Lead {
  aheadH: number;
  speed: number;
  varAhead: number;
  covariance: number;
  varSpeed: number;
}
export const evenLead = (): Lead => ({ aheadH: 0, speed: 0, varAhead: 0, covariance: 0, varSpeed: SPEED_SD ** 2 });

/** What a lead becomes in some hours: its speed returns to even, what it has gained stays. */
export function ahead(lead: Lead, hours: number): Lead {
  const keeps = Math.exp(-hours / SPEED_KEEPS_H);
  const gains = SPEED_KEEPS_H * (1 - keeps);
  const variance = SPEED_SD ** 2;
  return {
    aheadH: lead.aheadH + gains * lead.speed,
    speed: keeps * lead.speed,
    varAhead:
      lead.varAhead +
      2 * gains * lead.covariance +
      gains * gains * lead.varSpeed +
      variance * SPEED_KEEPS_H * (2 * hours - SPEED_KEEPS_H * (1 - keeps) * (3 - keeps)),
    covariance: keeps * (lead.covariance + gains * lead.varSpeed) + variance * SPEED_KEEPS_H * (1 - keeps) ** 2,
    varSpeed: keeps * keeps * lead.varSpeed + variance * (1 - keeps * keeps),
  };
}

/** Where in the grid an hour lies. */
export function placeOf({ hours }: Grid, hour: number): number {
  let [low, high] = [0, hours.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((hours[middle] ?? 0) <= hour) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** Sugar at an hour, straight between the grid’s points. */
export function sugarAt(sugar: Float64Array, grid: Grid, hour: number): number {
  const k = placeOf(grid, hour);
  const from = sugar[k] ?? 0;
  const to = sugar[k + 1] ?? from;
  const part = Math.max(0, Math.min(1, (hour - (grid.hours[k] ?? 0)) / (grid.stepH[k] ?? 1)));
  return from + (to - from) * part;
}

/** An hour of the law’s own time, kept on the side of a pour on which the clock is. */
export function onItsSide(hour: number, aheadH: number, { pulses }: Pick<Setting, 'pulses'>): number {
  let lawH = Math.max(0, hour + aheadH);
  for (const pulse of pulses) {
    if (pulse.sugarGPerL === 0 && pulse.scale === 1) continue;
    if (pulse.hour <= hour) lawH = Math.max(lawH, pulse.hour);
    else lawH = Math.min(lawH, pulse.hour - 1e-6);
  }
  return lawH;
}

/** How well a course fits the readings, and where it stands after the last. */
export interface Followed {
  logLikelihood: number;
  /** What each reading was off, in its own standard deviations, as a quadratic fit takes it. */
  residuals: number[];
  lead: Lead;
  /** The last reading’s hour; 0 without one. */
  lastH: number;
}

/** Degrees of freedom of a Student’s t: one slip of the pen does not pull the whole forecast. */
const FREEDOM = 4;

/**
 * Holds a course against the readings one after another (a Kalman filter for its lead over the law, about the course as it
 * bends; each reading’s error a Student’s t).
 */
export function follow(sugar: Float64Array, grid: Grid, setting: Setting, readings: readonly SugarReading[]): Followed {
  let lead = evenLead();
  let [hour, logLikelihood] = [0, 0];
  const residuals: number[] = [];
  for (const reading of readings) {
    lead = ahead(lead, reading.hour - hour);
    hour = reading.hour;
    const lawH = onItsSide(hour, lead.aheadH, setting);
    const expected = sugarAt(sugar, grid, lawH);
    const slope =
      (sugarAt(sugar, grid, onItsSide(hour, lead.aheadH + SLOPE_H, setting)) -
        sugarAt(sugar, grid, onItsSide(hour, lead.aheadH - SLOPE_H, setting))) /
      (2 * SLOPE_H);
    const noise = reading.sd ** 2 + (BALANCE_SD * setting.sugarGPerL) ** 2;
    const spread = slope * slope * lead.varAhead + noise;
    const off = reading.sugarGPerL - expected;
    const square = (off * off) / spread;
    logLikelihood -= 0.5 * (FREEDOM + 1) * Math.log1p(square / FREEDOM) + 0.5 * Math.log(spread);
    residuals.push(Math.sign(off) * Math.sqrt((FREEDOM + 1) * Math.log1p(square / FREEDOM)));
    /** A slip of the pen pulls less the farther off it is. */
    const total = slope * slope * lead.varAhead + noise * Math.max(1, (FREEDOM + square) / (FREEDOM + 1));
    const [gainAhead, gainSpeed] = [(slope * lead.varAhead) / total, (slope * lead.covariance) / total];
    lead = {
      aheadH: lead.aheadH + gainAhead * off,
      speed: lead.speed + gainSpeed * off,
      varAhead: lead.varAhead * (1 - gainAhead * slope),
      covariance: lead.covariance * (1 - gainAhead * slope),
      varSpeed: Math.max(0, lead.varSpeed - gainSpeed * slope * lead.covariance),
    };
  }
  return { logLikelihood, residuals, lead, lastH: hour };
}
/** A slope is taken over so many hours on each side. */
const SLOPE_H = 6;
