import { describe } from 'vitest';
import { holdThresholds } from '../testing/thresholds.ts';
import { wordOfGravity, wordOfSugar } from './index.ts';

/** Regulation (EU) 2019/33, Annex III, and makers' words by gravity. */
describe('words for sweetness', () => {
  holdThresholds([
    ['BY_SUGAR.dry', (g) => wordOfSugar(g, null), [4, 'dry'], [4.1, 'medium dry']],
    ['BY_SUGAR.dry with acid', (g) => wordOfSugar(g, 8), [9, 'dry'], [9.1, 'medium dry']],
    ['ACID_WITHIN.dry', (acid) => wordOfSugar(8, acid), [5.9, 'medium dry'], [6, 'dry']],
    ['BY_SUGAR.medium dry', (g) => wordOfSugar(g, null), [12, 'medium dry'], [12.1, 'medium']],
    ['BY_SUGAR.medium dry with acid', (g) => wordOfSugar(g, 12), [18, 'medium dry'], [18.1, 'medium']],
    ['ACID_WITHIN.medium dry', (acid) => wordOfSugar(17, acid), [6.9, 'medium'], [7, 'medium dry']],
    ['BY_SUGAR.medium', (g) => wordOfSugar(g, null), [45, 'medium'], [45.1, 'sweet']],
    ['MAKERS_WORDS.dry', wordOfGravity, [1.006, 'dry'], [1.0061, 'semi-sweet']],
    ['MAKERS_WORDS.semi-sweet', wordOfGravity, [1.015, 'semi-sweet'], [1.0151, 'sweet']],
    ['MAKERS_WORDS.sweet', wordOfGravity, [1.025, 'sweet'], [1.0251, 'dessert']],
  ]);
});
