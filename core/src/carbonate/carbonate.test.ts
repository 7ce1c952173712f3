import { describe, expect, it } from 'vitest';
import { agreesWithReference } from '../testing/agree.ts';
import {
  bottlePressureBar,
  co2SolubilityVolumes,
  gaugePressureBar,
  ifItFerments,
  kegPressureBar,
  kegVolumes,
  primingDose,
  primingWorst,
  psiOf,
  residualCo2Volumes,
  volumesFromPieces,
  volumesFromPoints,
  volumesReached,
} from './index.ts';
import type { PrimingSugar } from './index.ts';

const sugarOf = (i: { sugar: string; honey_fermentable?: number }): PrimingSugar =>
  i.sugar === 'honey'
    ? { kind: 'honey', fermentable: i.honey_fermentable ?? 0.795 }
    : ({ kind: i.sugar.replace('_', ' ') } as PrimingSugar);

describe('gas agrees with the reference values', () => {
  agreesWithReference({
    residual_co2: (i) => residualCo2Volumes(i.t_c),
    gauge_pressure_bar: (i) => gaugePressureBar(i.volumes, i.t_c),
    priming_grams: (i) => primingDose(i.volumes, i.volume_l, i.t_c, sugarOf(i)).grams,
    priming_dose: (i) => {
      const { grams, residualVolumes } = primingDose(i.volumes, i.volume_l, i.t_warmest_c, sugarOf(i));
      return { grams, residual_volumes: residualVolumes };
    },
    volumes_reached: (i) =>
      volumesReached({
        plannedVolumes: i.planned_volumes,
        plannedL: i.planned_volume_l,
        actualL: i.actual_volume_l,
        plannedWarmestC: i.t_planned_c,
        doseFactor: i.dose_factor,
        trueWarmestC: i.t_true_c,
      }),
    volumes_from_points: (i) => volumesFromPoints(i.points, i.sg_now, i.abv_now, i.residual_volumes),
    volumes_from_pieces: (i) => volumesFromPieces(i.pieces, i.piece_g, i.bottle_ml, i.t_warmest_c, sugarOf(i)),
    priming_worst: (i) => ({
      planned: i.volumes,
      worst: primingWorst(
        { volumes: i.volumes, volumeL: i.volume_l, warmestC: i.t_warmest_c, sg: i.sg, abv: i.abv },
        {
          volumeShort: (i.volume_low_pct ?? 10) / 100,
          doseOver: (i.dose_high_pct ?? 0) / 100,
          pointsLeft: i.points_left ?? 0,
          trueWarmestC: i.t_true_c,
        },
      ),
    }),
    bottle_pressure_bar: (i) =>
      bottlePressureBar({
        volumes: i.volumes,
        tempC: i.t_c,
        liquidMl: i.liquid_ml,
        headspaceMl: i.headspace_ml,
        abv: i.abv,
        airFromC: i.air === false ? null : (i.t_closed_c ?? 20),
      }),
    keg_pressure: (i) => {
      const bar = kegPressureBar(i.volumes, i.t_c, i.abv);
      return { bar, psi: psiOf(bar) };
    },
    keg_volumes: (i) => kegVolumes(i.bar_gauge, i.t_c, i.abv),
    if_it_ferments: (i) => {
      const { sg, abv, volumes } = ifItFerments(i.sg, i.abv, i.fermentable_g_l);
      return { sg_end: sg, abv_end: abv, volumes };
    },
  });

  it('holds less in alcohol and in warmth', () => {
    expect(co2SolubilityVolumes(20, 12.5)).toBeLessThan(co2SolubilityVolumes(20));
    expect(co2SolubilityVolumes(5, 12)).toBeGreaterThan(co2SolubilityVolumes(20, 12));
  });
});
