import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { BatchStore } from '../batches/store.ts';
import type { PracticeStore } from '../practice/store.ts';
import type { ShelfStore } from '../shelf/store.ts';
import { HALVED, demoBatches } from './cellar.ts';
import { demoShelf } from './shelf.ts';

export interface Cellar {
  batches: BatchStore;
  practice: PracticeStore;
  shelf: ShelfStore;
  now: () => number;
}

/** Fills an empty cellar with the demo; a cellar that holds anything is left alone. True when it was filled. */
export async function loadDemoCellar({ batches, practice, shelf, now }: Cellar): Promise<boolean> {
  if ((await batches.list({})).batches.length > 0) return false;
  if ((await practice.read()) === null) await practice.write({ ...DEFAULT_PRACTICE, roomTempC: 17 });
  await shelf.importAll(demoShelf(now()));
  for (const { id, name, plan, events } of demoBatches(now())) {
    await batches.create(id, name, plan);
    if (events.length > 0) await batches.append(id, 0, events);
  }
  const halved = (await batches.list({})).batches.find(({ name }) => name === HALVED.name);
  if (halved !== undefined) await batches.split(halved.id, { afterSeq: halved.lastSeq, happenedAt: now(), children: [HALVED.child()] });
  return true;
}
