import { DAP_CAP_G_PER_L } from '@hollow-bell/core/nitrogen';
import { checkDoses } from '@hollow-bell/core/feed';
import { checkProduct } from '@hollow-bell/core/nitrogen';
import { list, record, whole } from '@hollow-bell/core/quantities';
import type { Fit, Shape } from '@hollow-bell/core/quantities';
import {
  batchPlanShape,
  blendShape,
  createBatchShape,
  fateShape,
  moveShape,
  rejoinShape,
  renameBatchShape,
  replanShape,
  splitShape,
} from './batches.ts';
import { putRecipeShape } from './cellar.ts';
import { newCodeShape, newPassphraseShape, pairShape, signInShape } from './doors.ts';
import { newEventShape } from './events.ts';
import { importShape } from './files.ts';
import { floatPostShape, hangFloatShape, newFloatShape } from './float.ts';
import { putPictureShape, takeOffShape } from './pictures.ts';
import { practiceShape } from './practice.ts';
import type { Practice } from './practice.ts';
import { refusalOf } from './refusalOf.ts';
import type { RouteName } from './routes.ts';
import { importShelfShape, putItemShape } from './shelf.ts';

/** Its products can feed, and doses that were worked out keep to the rules. */
const canFeed = {
  broken: ({ organic, ammonium, school, setDoses, region }: Practice): string | null =>
    refusalOf(() => {
      checkProduct(organic);
      checkProduct(ammonium);
      if (school === 'set') checkDoses(setDoses, { dapCapGPerL: DAP_CAP_G_PER_L[region] });
    }),
};
export const checkedPracticeShape = record(practiceShape.fields, canFeed);
const checkedPlanShape = record({ ...batchPlanShape.fields, practice: checkedPracticeShape });

/** What is sent, by the name of its route. Heavier than what is answered: only who receives it needs it. */
export const BODIES = {
  savePractice: checkedPracticeShape,
  createBatch: record({ ...createBatchShape.fields, plan: checkedPlanShape }),
  rename: renameBatchShape,
  decide: fateShape,
  replan: record({ ...replanShape.fields, plan: checkedPlanShape }),
  split: splitShape,
  rejoin: rejoinShape,
  blend: blendShape,
  move: moveShape,
  append: record({
    /** The last event the writer has seen; a stale one is answered with what came since. */
    afterSeq: whole(0, 1_000_000),
    events: list(newEventShape, 1, 1000, { whenMany: 'At most 1,000 entries at once; split the file.' }),
  }),
  putPicture: putPictureShape,
  takeOffPicture: takeOffShape,
  setPassphrase: newPassphraseShape,
  makeCode: newCodeShape,
  signIn: signInShape,
  pair: pairShape,
  importFile: importShape,
  makeFloat: newFloatShape,
  hangFloat: hangFloatShape,
  postFloat: floatPostShape,
  putRecipe: putRecipeShape,
  putShelfItem: putItemShape,
  importShelf: importShelfShape,
} as const satisfies Partial<Record<RouteName, Shape>>;

export type BodyOf<R extends RouteName> = R extends keyof typeof BODIES ? Fit<(typeof BODIES)[R]> : undefined;
