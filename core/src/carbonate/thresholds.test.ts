import { describe } from 'vitest';
import { holdThresholds } from '../testing/thresholds.ts';
import { psiOf } from './keg.ts';
import { carbonateDays, forceTable, gasFan, gasStyleOf, holdsOf, mostVolumesFor, residualCo2Volumes, volumesMade } from './index.ts';
import { pressureIn } from './inGlass.ts';

/** 2.8 volumes planned in 5.65 L. */
const board = { volumes: 2.8, volumeL: 5.65, warmestC: 21, sg: 0.994, abv: 8, mayFallPoints: 0 };
const fan = (one: number, two = one) => ({ planned: 2, slips: { short: one, point: one, colder: one, spoon: one }, one, two });
const holds = (kind: 'used beer' | 'new beer' | 'sparkling' | 'wine', one: number): string =>
  holdsOf({ kind, closure: kind === 'wine' ? 'cork' : 'crown cap' }, fan(one));
/** What is primed, 2.8 less what the warmest day left. */
const SUGAR_VOLUMES = 2.8 - residualCo2Volumes(21);

describe('gas', () => {
  holdThresholds([
    [
      'SLIP.volumeShort',
      (short) => Math.abs(gasFan(board).slips.short - (2.8 - SUGAR_VOLUMES + SUGAR_VOLUMES / (1 - short))) < 0.005,
      [0.095, false],
      [0.1, true],
    ],
    ['SLIP.doseOver', (over) => Math.abs(gasFan(board).slips.spoon - (2.8 + SUGAR_VOLUMES * over)) < 0.005, [0.095, false], [0.1, true]],
    [
      'SLIP.colderC',
      (c) => Math.abs(gasFan(board).slips.colder - (2.8 + residualCo2Volumes(21 - c) - residualCo2Volumes(21))) < 0.002,
      [4.7, false],
      [5, true],
    ],
    ['SLIP.pointsLeft', (points) => gasFan({ ...board, mayFallPoints: points }).one > gasFan(board).one + 1e-6, [1, false], [1.1, true]],
    [
      'COLDEST_C',
      (warmestC) => gasFan({ ...board, warmestC }).slips.colder > gasFan({ ...board, warmestC }).planned + 1e-6,
      [0, false],
      [1, true],
    ],
    ['CONTAINERS.used beer', (one) => holds('used beer', one), [3, 'holds'], [3.01, 'barred']],
    ['CONTAINERS.new beer', (one) => holds('new beer', one), [4, 'holds'], [4.01, 'barred']],
    ['CONTAINERS.sparkling', (one) => holds('sparkling', one), [6, 'holds'], [6.01, 'barred']],
    ['CONTAINERS.wine', (one) => holds('wine', one), [0, 'holds'], [0.01, 'barred']],
    ['MOST_VOLUMES', (rating) => mostVolumesFor(rating, board)! < 8, [8, true], [30, false]],
    ['GAS_STYLES.prickling', (volumes) => gasStyleOf(volumes).id, [1.09, 'still'], [1.1, 'prickling']],
    ['GAS_STYLES.lively', (volumes) => gasStyleOf(volumes).id, [1.99, 'prickling'], [2, 'lively']],
    ['GAS_STYLES.sparkling', (volumes) => gasStyleOf(volumes).id, [2.69, 'lively'], [2.7, 'sparkling']],
    ['GAS_STYLES.foaming', (volumes) => gasStyleOf(volumes).id, [3.99, 'sparkling'], [4, 'foaming']],
    ['CARBONATES_FROM_C', (c) => carbonateDays(c)?.value ?? null, [9.9, null], [10, 42]],
    ['tempC < 15', (c) => carbonateDays(c)!.value, [14.9, 42], [15.1, 21]],
    ['tempC < 18', (c) => carbonateDays(c)!.value, [17.9, 21], [18.1, 14]],
    ['PSI_PER_BAR', (bar) => Math.round(100 * psiOf(bar)) / 100, [1, 14.5], [2, 29.01]],
    ['TABLE_C', (i) => forceTable(2.5, 0)[i]!.tempC, [0, 2], [5, 20]],
    ['PRIMING_CO2.sucrose', (g) => Math.round(1000 * volumesMade({ kind: 'sucrose' }, g)) / 1000, [4, 1.041], [8, 2.081]],
    [
      'PRIMING_CO2.dextrose monohydrate',
      (g) => Math.round(1000 * volumesMade({ kind: 'dextrose monohydrate' }, g)) / 1000,
      [4, 0.899],
      [8, 1.797],
    ],
    [
      'PRIMING_CO2.dextrose anhydrous',
      (g) => Math.round(1000 * volumesMade({ kind: 'dextrose anhydrous' }, g)) / 1000,
      [4, 0.989],
      [8, 1.977],
    ],
    ['HEADSPACE', (c) => Math.round(100 * pressureIn(3, c, 500, 8)) / 100, [10, 2.66], [20, 3.76]],
  ]);
});
