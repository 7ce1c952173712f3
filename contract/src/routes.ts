import { flag, orNull, record, whole } from '@hollow-bell/core/quantities';
import type { Fit, Shape } from '@hollow-bell/core/quantities';
import { batchListShape, batchRecordShape, batchShape, fateShape, figure } from './batches.ts';
import { cellarShape, keptRecipeShape, recipesShape } from './cellar.ts';
import { importedShape } from './brought.ts';
import { calendarAddressShape } from './calendar.ts';
import { floatAnswerShape, floatDeviceShape, floatsShape, madeFloatShape } from './float.ts';
import { backupsShape } from './backups.ts';
import { codeShape, doorsShape, visitorShape } from './doors.ts';
import { picturesShape } from './pictures.ts';
import { practiceShape } from './practice.ts';
import { appendedShape, roundsShape } from './rounds.ts';
import { shelfShape, shelvedShape } from './shelf.ts';

/** `open` to everybody, `guest` to whoever is let in, `maker`, or `machine`: nobody but who sits at it. */
export type Door = 'open' | 'guest' | 'maker' | 'machine';

interface Route {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Below /api; `:id` is a UUID. */
  path: string;
  answer: Shape;
  /** Who may come from the house, where it is not as usual: whoever is let in may look, a maker may write. */
  door?: Door;
}

const removed = record({ removed: flag });
const practice = record({ practice: orNull(practiceShape) });

/** Everything that server and browser say to each other; `bodies.ts` says what is sent. The server answers by it, the browser holds it to it. */
export const ROUTES = {
  health: { method: 'GET', path: '/health', answer: record({ ok: flag, clockMovedMs: figure }) },
  practice: { method: 'GET', path: '/practice', answer: practice },
  savePractice: { method: 'PUT', path: '/practice', answer: practice },
  loadDemo: { method: 'POST', path: '/demo', answer: record({ filled: flag }) },
  rounds: { method: 'GET', path: '/rounds', answer: roundsShape },
  batches: { method: 'GET', path: '/batches', answer: batchListShape },
  batch: { method: 'GET', path: '/batches/:id', answer: batchRecordShape },
  createBatch: { method: 'POST', path: '/batches', answer: batchShape },
  rename: { method: 'PATCH', path: '/batches/:id', answer: batchShape },
  decide: { method: 'PUT', path: '/batches/:id/fate', answer: fateShape },
  replan: { method: 'PUT', path: '/batches/:id/plan', answer: batchShape },
  split: { method: 'POST', path: '/batches/:id/split', answer: batchShape },
  rejoin: { method: 'POST', path: '/batches/:id/rejoin', answer: batchShape },
  blend: { method: 'POST', path: '/batches/:id/blend', answer: batchShape },
  move: { method: 'POST', path: '/batches/:id/move', answer: batchShape },
  append: { method: 'POST', path: '/batches/:id/events', answer: appendedShape },
  pictures: { method: 'GET', path: '/batches/:id/pictures', answer: picturesShape },
  putPicture: { method: 'PUT', path: '/pictures/:id', answer: picturesShape },
  takeOffPicture: { method: 'PATCH', path: '/pictures/:id', answer: picturesShape },
  floats: { method: 'GET', path: '/floats', answer: floatsShape, door: 'maker' },
  makeFloat: { method: 'POST', path: '/floats', answer: madeFloatShape },
  hangFloat: { method: 'PATCH', path: '/floats/:id', answer: floatDeviceShape },
  removeFloat: { method: 'DELETE', path: '/floats/:id', answer: removed },
  postFloat: { method: 'POST', path: '/float', answer: floatAnswerShape, door: 'open' },
  calendar: { method: 'GET', path: '/calendar', answer: calendarAddressShape, door: 'maker' },
  renewCalendar: { method: 'PUT', path: '/calendar', answer: calendarAddressShape },
  closeCalendar: { method: 'DELETE', path: '/calendar', answer: calendarAddressShape },
  visitor: { method: 'GET', path: '/doors/visitor', answer: visitorShape, door: 'open' },
  doors: { method: 'GET', path: '/doors', answer: doorsShape, door: 'maker' },
  setPassphrase: { method: 'PUT', path: '/doors/passphrase', answer: doorsShape, door: 'machine' },
  makeCode: { method: 'POST', path: '/doors/codes', answer: codeShape },
  signIn: { method: 'POST', path: '/doors/sign-in', answer: visitorShape, door: 'open' },
  pair: { method: 'POST', path: '/doors/pair', answer: visitorShape, door: 'open' },
  signOut: { method: 'POST', path: '/doors/sign-out', answer: removed, door: 'guest' },
  endSession: { method: 'DELETE', path: '/doors/sessions/:id', answer: doorsShape },
  backups: { method: 'GET', path: '/backups', answer: backupsShape, door: 'maker' },
  makeBackup: { method: 'POST', path: '/backups', answer: backupsShape },
  importFile: { method: 'POST', path: '/files', answer: importedShape },
  cellar: { method: 'GET', path: '/cellar', answer: cellarShape },
  recipes: { method: 'GET', path: '/recipes', answer: recipesShape },
  putRecipe: { method: 'PUT', path: '/recipes/:id', answer: keptRecipeShape },
  removeRecipe: { method: 'DELETE', path: '/recipes/:id', answer: removed },
  shelf: { method: 'GET', path: '/shelf', answer: shelfShape },
  putShelfItem: { method: 'PUT', path: '/shelf/:id', answer: shelvedShape },
  importShelf: { method: 'POST', path: '/shelf/import', answer: record({ written: whole(0, 1_000_000) }) },
  removeShelfItem: { method: 'DELETE', path: '/shelf/:id', answer: removed },
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof ROUTES;
export type AnswerOf<R extends RouteName> = Fit<(typeof ROUTES)[R]['answer']>;
