/* Everything that can happen to a batch, one file each: the list that fold, check, contract, forms and tests read. */
import { base } from './base.ts';
import { bottleFound } from './bottleFound.ts';
import { bottleKept } from './bottleKept.ts';
import { bottleOut } from './bottleOut.ts';
import { bottling } from './bottling.ts';
import { core } from './core.ts';
import { cure } from './cure.ts';
import { filter } from './filter.ts';
import { finding } from './finding.ts';
import { fining } from './fining.ts';
import { found } from './found.ts';
import { heat } from './heat.ts';
import { honey } from './honey.ts';
import { ingredient } from './ingredient.ts';
import { look } from './look.ts';
import { moved } from './moved.ts';
import { note } from './note.ts';
import { nutrient } from './nutrient.ts';
import { putOff } from './putOff.ts';
import { rack } from './rack.ts';
import { reading } from './reading.ts';
import { removal } from './removal.ts';
import { restart } from './restart.ts';
import { restartStep } from './restartStep.ts';
import { sorbate } from './sorbate.ts';
import { staysHere } from './staysHere.ts';
import { strain } from './strain.ts';
import { sulfite } from './sulfite.ts';
import { tasting } from './tasting.ts';
import { tongue } from './tongue.ts';
import { topUp } from './topUp.ts';
import { transferIn } from './transferIn.ts';
import { transferOut } from './transferOut.ts';
import { vessels } from './vessels.ts';
import { water } from './water.ts';
import { word } from './word.ts';
import { yeast } from './yeast.ts';

import type { Immutable } from '../../quantities/index.ts';
import type { Happening } from '../happening.ts';

const TABLE = {
  found,
  honey,
  ingredient,
  water,
  yeast,
  nutrient,
  sulfite,
  sorbate,
  base,
  fining,
  core,
  heat,
  filter,
  look,
  tongue,
  word,
  strain,
  transferIn,
  transferOut,
  removal,
  reading,
  rack,
  vessels,
  topUp,
  moved,
  bottling,
  bottleOut,
  bottleFound,
  bottleKept,
  tasting,
  finding,
  cure,
  putOff,
  restart,
  restartStep,
  staysHere,
  note,
};

/** What each kind holds. Quantities in SI; times are milliseconds since 1970 UTC. */
type Fits = { [K in keyof typeof TABLE]: (typeof TABLE)[K] extends Happening<infer P> ? P : never };
export type Recorded = { [K in keyof Fits]: Immutable<Fits[K]> };
export type RecordedKind = keyof Recorded;
export const HAPPENINGS: { readonly [K in RecordedKind]: Happening<Fits[K]> } = TABLE;
export const RECORDED_KINDS = Object.keys(HAPPENINGS) as RecordedKind[];
