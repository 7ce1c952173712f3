import { say } from '../../../quantities/index.ts';
import type { Sentence } from '../../../quantities/index.ts';
import { cureOf } from './cure.ts';
import type { Cure, CureRule } from './cure.ts';

/** Nearer to its tolerance than this, a restart is hard and the mead good as it is, % vol (our estimate). */
const GOOD_ENOUGH_ABV = 2;
export const leave = (sentence: Sentence): Cure => cureOf('leave', sentence);
/** The maker's word that it rests above where it should end. */
export const letStay = (sentence: Sentence): Cure =>
  cureOf('leave', sentence, { label: ['It stays here'], events: [{ kind: 'staysHere', payload: {} }] });

/** Left sweet or as it is, by the maker's word. */
export const letItStay: CureRule = ({ evidence: { abv, yeast } }) =>
  letStay(
    abv >= yeast.toleranceAbv.low - GOOD_ENOUGH_ABV
      ? say`Or leave it as a sweet mead: near its tolerance a restart seldom works. Say that it stays here; three level readings over two weeks prove it, then it is stabilized before it is bottled.`
      : say`Or leave it as it is. Say that it stays here; as much sugar as this wants four weeks of level readings, and stabilizing before any glass.`,
  );
