import { choice, flag, list, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { figure } from './batches.ts';

/** What is done with each thing of a file. */
const FATES = ['comes in', 'grows', 'is here already', 'stays as it is here'] as const;
const broughtShape = record({
  what: choice('batch', 'lot', 'recipe', 'settings'),
  name: text(200),
  does: choice(...FATES),
  entries: figure,
});
export type Brought = Fit<typeof broughtShape>;
/** What a file would do, or did. */
export const importedShape = record({ isDone: flag, brought: list(broughtShape, 0, 1_000_000) });
export type Imported = Fit<typeof importedShape>;
