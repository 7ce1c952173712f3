/* What server and browser say to each other, as shapes that both read; `zodOf` makes schemas of them for the server’s door. */
export { DELETED_FOR_MS, batchPlanShape, feedingPracticeOf, sentOf, mustPlanShape, errorShape, listQueryShape } from './batches.ts';
export type {
  ApiError,
  Batch,
  BatchList,
  BatchPlan,
  BatchRecord,
  BatchState,
  BatchSummary,
  Blend,
  Fate,
  ListQuery,
  Listed,
  Move,
  Split,
} from './batches.ts';
export type { Backup, Backups } from './backups.ts';
export type { BodyOf } from './bodies.ts';
export type { Brought, Imported } from './brought.ts';
export type { CalendarAddress } from './calendar.ts';
export { recipeFileShape } from './cellar.ts';
export type { KeptRecipe, Recipe, RecipeFile, ShelvedBatch } from './cellar.ts';
export { PASSPHRASE_LEAST } from './doors.ts';
export type { Doors, PairingCode, Role, Session, Visitor } from './doors.ts';
export { cellarFileShape } from './files.ts';
export type { BatchFile, CellarFile } from './files.ts';
export type { NewEvent } from './events.ts';
export { FLOAT_SLOT_MS, PROBE_SLOT_MS, floatRefusal, probeRefusal } from './float.ts';
export type { FloatAnswer, FloatDevice, FloatPost, MadeFloat } from './float.ts';
export { misfitOf } from './misfit.ts';
export { MOST_PICTURES, MOST_PICTURE_BYTES } from './pictures.ts';
export type { EntryPicture } from './pictures.ts';
export { DEFAULT_PRACTICE, HOUSE_PRACTICES, houseOf, unitsOf } from './practice.ts';
export type { Practice } from './practice.ts';
export type { Standing } from './rounds.ts';
export { whereInWords } from './says.ts';
export { ROUTES } from './routes.ts';
export type { AnswerOf, Door, RouteName } from './routes.ts';
export { SHELF_KINDS, shelfItemShape } from './shelf.ts';
export type { ShelfItem, ShelfKind, Shelved } from './shelf.ts';
