import { say } from '../../../quantities/index.ts';
import { cureOf, deed } from './cure.ts';
import type { CureRule } from './cure.ts';

export const rouse: CureRule = () =>
  cureOf(
    'rouse',
    say`Degas it, and stir the yeast up from the bottom, gently and without splashing.`,
    deed(['Degassed and roused'], { cure: 'rouse' }, { kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }),
  );
