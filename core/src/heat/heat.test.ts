import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreesWithReference } from '../testing/agree.ts';
import {
  bathMinutesFor,
  coreAfterC,
  cylinderLagMin,
  heatCycle,
  holdMinutes,
  lagFromReading,
  lethalRate,
  minutesUntilCore,
  unitsOf,
} from './index.ts';

const bathOf = (i: { t0_c: number; bath_c: number; tau_min: number }) => ({ startC: i.t0_c, bathC: i.bath_c, lagMin: i.tau_min });
const logOf = (log: [number, number][]) => log.map(([minute, tempC]) => ({ minute, tempC }));

describe('heat agrees with the reference values', () => {
  agreesWithReference({
    lethal_rate: (i) => lethalRate(i.t_c),
    lethal_rate_z: (i) => lethalRate(i.t_c, i.z, i.t_ref_c),
    pasteurisation_units: (i) => unitsOf(logOf(i.log)),
    pasteurisation_units_z: (i) => unitsOf(logOf(i.log), { zK: i.z, unitAtC: i.t_ref_c }),
    hold_minutes: (i) => holdMinutes(i.target_pu, i.t_c, i.have_pu),
    lag_temperature: (i) => coreAfterC(bathOf(i), i.minutes),
    lag_minutes_to: (i) => minutesUntilCore(bathOf(i), i.target_c),
    tau_from_readings: (i) => lagFromReading({ startC: i.t0_c, bathC: i.bath_c }, i.minutes, i.seen_c),
    cylinder_time_constant: (i) =>
      cylinderLagMin({
        volumeL: i.volume_l,
        diameterCm: i.diameter_cm,
        heatTransfer: i.u_w_m2k,
        kgPerM3: i.density_kg_m3,
        heatCapacity: i.cp_j_kgk,
        bottom: i.bottom,
      }),
    pu_cycle: (i) => {
      const cooling =
        i.cool_minutes === undefined ? undefined : { coolC: i.cool_c ?? 20, lagMin: i.tau_cool_min ?? i.tau_min, minutes: i.cool_minutes };
      const { peakC, heatUnits, coolUnits } = heatCycle(bathOf(i), i.bath_minutes, cooling);
      return { peak_c: peakC, pu_heat: heatUnits, pu_cool: coolUnits, pu_total: heatUnits + coolUnits };
    },
    bath_minutes_for_pu: (i) => bathMinutesFor(bathOf(i), i.target_pu),
  });
});

describe('the core in its bath', () => {
  const some = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  it('comes where it was said to, when it was said to, and its lag can be read off it', () => {
    fc.assert(
      fc.property(some(5, 30), some(61, 80), some(5, 60), some(1, 120), (startC, bathC, lagMin, minutes) => {
        const bath = { startC, bathC, lagMin };
        const coreC = coreAfterC(bath, minutes);
        fc.pre(bathC - coreC > 1e-6);
        expect(minutesUntilCore(bath, coreC)).toBeCloseTo(minutes, 5);
        expect(lagFromReading(bath, minutes, coreC)).toBeCloseTo(lagMin, 5);
      }),
    );
  });
  it('has collected what was wanted after the minutes that were said', () => {
    const bath = { startC: 20, bathC: 64, lagMin: 18 };
    expect(heatCycle(bath, bathMinutesFor(bath, 20)).heatUnits).toBeCloseTo(20, 3);
  });
  it('counts a log the same however its minutes are split', () => {
    const whole = unitsOf(
      logOf([
        [0, 60],
        [10, 60],
      ]),
    );
    expect(
      unitsOf(
        logOf([
          [0, 60],
          [4, 60],
          [10, 60],
        ]),
      ),
    ).toBeCloseTo(whole, 12);
    expect(
      unitsOf(
        logOf([
          [0, 55],
          [10, 55],
        ]),
        { fromC: 60 },
      ),
    ).toBe(0);
  });
});
