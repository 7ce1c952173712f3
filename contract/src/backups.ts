import { choice, flag, list, maybe, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { figure } from './batches.ts';

/** Made by the day, by hand, or before something that changes all. */
const backupShape = record({
  name: text(120),
  why: choice('daily', 'by-hand', 'before-migration', 'before-restore'),
  at: figure,
  bytes: figure,
});
export type Backup = Fit<typeof backupShape>;

/** Newest first. `isKept` is false where the database is kept elsewhere, and backed up there. */
export const backupsShape = record({ isKept: flag, folder: maybe(text(4000)), backups: list(backupShape, 0, 1000) });
export type Backups = Fit<typeof backupsShape>;
