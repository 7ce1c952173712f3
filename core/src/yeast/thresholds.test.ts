import { describe } from 'vitest';
import { holdThresholds } from '../testing/thresholds.ts';
import { attemper, attemperWith, rehydrationOf, yeastToPitchG } from './index.ts';

const parts = (partL: number): number | 'refused' => {
  try {
    return attemperWith(0.05, 40, 20, partL).additions;
  } catch {
    return 'refused';
  }
};

describe('yeast', () => {
  holdThresholds([
    ['REHYDRATION.waterGPerG', (g) => rehydrationOf(g).waterL, [5, 0.075], [10, 0.15]],
    ['REHYDRATION.nutrientGPerG', (g) => rehydrationOf(g).nutrientG, [4, 5], [8, 10]],
    ['REHYDRATION.tempC', (g) => [rehydrationOf(g).tempC, rehydrationOf(g).minutes], [1, [40, 15]], [2, [40, 15]]],
    ['ATTEMPERATION.withinC', (c) => attemper(0.1, 20 + c, 20).additions, [4.9, 0], [5.1, 1]],
    ['ATTEMPERATION.maxDropC', (c) => attemper(0.1, 20 + c, 20).firstDropC <= 10, [14, true], [25, true]],
    ['MOST_ADDITIONS', (ml) => parts(ml / 1000), [3, 50], [2.9, 'refused']],
    ['yeast to pitch', (sg) => Number((yeastToPitchG(10, sg) / 10).toFixed(2)), [1.08, 0.5], [1.13, 1]],
  ]);
});
