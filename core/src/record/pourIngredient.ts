import type { Composition, Family, Trait } from '../ingredients/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import { broughtUnder } from './brought.ts';
import { breakHeat } from './guard.ts';
import type { Moment } from './happening.ts';
import { pourIn } from './inVessel.ts';
import type { Folding } from './ledger.ts';
import { LEAST_SUGAR_G } from './sugar.ts';

interface Poured {
  name: string;
  family: Family;
  massG: number;
  composition: Composition;
  sugarSpread: number;
  bagDays?: number | undefined;
  traits?: readonly Trait[] | undefined;
  heated?: boolean | undefined;
}

/** The one pour: honey and everything else that has a composition. */
export function pourIngredient(ledger: Folding, poured: Poured, { id, at, assumptions }: Moment): void {
  const { name, family, massG, composition, bagDays, traits } = poured;
  const brought = broughtUnder(assumptions, massG, poured);
  pourIn(ledger.liquid, brought, massG);
  if (brought.sugarG > LEAST_SUGAR_G && poured.heated !== true) breakHeat(ledger);
  ledger.liquid.broughtAmmoniumNMg += (massG * composition.ammoniumNMgPerKg) / 1000;
  ledger.liquid.broughtAminoNMg += (massG * composition.aminoNMgPerKg) / 1000;
  ledger.liquid.acidG += (massG * composition.acidGPerKg) / 1000;
  ledger.history.pours.push({
    eventId: id,
    at,
    name,
    family,
    massG,
    composition: { ...composition },
    sugarG: brought.sugarG,
    insolubleG: brought.insolubleG,
    afterPitch: ledger.history.pitch !== null,
    bagOutAt: bagDays === undefined ? null : at + bagDays * DAY_MS,
    traits: traits === undefined ? undefined : [...traits],
  });
}
