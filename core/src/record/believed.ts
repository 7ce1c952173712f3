import { Refusal, say, volumeL } from '../quantities/index.ts';
import type { Ledger } from './ledger.ts';
import { mixedOf } from './view.ts';

/** A measured volume may exceed the computed one by this share before it is taken for a slip. */
export const VOLUME_SLACK = 0.1;
/** What a maker cannot see missing, L. */
const UNSEEN_L = 0.005;

const presentL = (ledger: Ledger): number => mixedOf(ledger)?.volumeL ?? 0;

/** @throws Refusal where there is not so much */
export function requireVolume(wantedL: number, ledger: Ledger, deed: string, slack = 0): void {
  const thereL = presentL(ledger) * (1 + slack);
  if (wantedL <= thereL + UNSEEN_L) return;
  throw new Refusal(
    thereL === 0
      ? say`${volumeL(wantedL)} cannot be ${deed}: there was nothing in the vessel at that time.`
      : say`${volumeL(wantedL)} cannot be ${deed}: there was only ${volumeL(thereL)} in the vessel at that time.`,
    'volumeL',
  );
}

/** @throws Refusal with this sentence where the vessel is empty */
export function requireLiquid(ledger: Ledger, sentence: string): void {
  if (presentL(ledger) === 0) throw new Refusal(sentence);
}
