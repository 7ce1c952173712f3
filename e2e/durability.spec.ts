import { randomUUID } from 'node:crypto';
import type { Batch, BatchList } from '@hollow-bell/contract';
import { expect, test } from './cellar.ts';

const EVENTS = 100;
const KILL_AFTER = 41;

test('killing the server in the middle of 100 entries loses none that was acknowledged and leaves none half written', async ({
  demoProgram,
}) => {
  const json = async <T>(path: string): Promise<T> => (await fetch(`${demoProgram.url}/api${path}`)).json() as Promise<T>;
  const { batches } = await json<BatchList>('/batches');
  const batch = batches.find(({ name }) => name === 'Borage, even')!;
  const before = batch.lastSeq;
  const acknowledged = new Set<string>();
  let seq = before;
  let killed: Promise<void> | null = null;
  let failed = 0;
  for (let i = 0; i < EVENTS; i++) {
    // Two events to an entry: both or neither must survive.
    const pair = [0, 1].map((part) => ({
      id: randomUUID(),
      happenedAt: Date.now(),
      kind: 'note',
      payload: { text: `entry ${i}.${part}` },
    }));
    if (i === KILL_AFTER) killed = demoProgram.kill();
    try {
      const response = await fetch(`${demoProgram.url}/api/batches/${batch.id}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ afterSeq: seq, events: pair }),
      });
      if (response.status !== 200) throw new Error(String(response.status));
      seq = ((await response.json()) as { lastSeq: number }).lastSeq;
      for (const { id } of pair) acknowledged.add(id);
    } catch {
      failed += 1;
      if (failed > 3) break;
    }
  }
  await killed;
  expect(acknowledged.size).toBeGreaterThanOrEqual(2 * KILL_AFTER - 2);
  expect(failed).toBeGreaterThan(0);
  await demoProgram.restart();
  const after = await json<Batch>(`/batches/${batch.id}`);
  const ids = new Set(after.events.map((event) => event.id));
  expect([...acknowledged].filter((id) => !ids.has(id))).toEqual([]);
  expect(after.events.map((event) => event.seq)).toEqual(after.events.map((_, i) => i + 1));
  const pairs = new Map<string, number>();
  for (const event of after.events) {
    const entry = event.kind === 'note' ? /^entry (\d+)\./.exec(event.payload.text)?.[1] : undefined;
    if (entry !== undefined) pairs.set(entry, (pairs.get(entry) ?? 0) + 1);
  }
  expect([...pairs.values()].every((count) => count === 2)).toBe(true);
});

test('a view that cannot be fetched says so, and opens once the server is back', async ({ page, demoProgram }) => {
  await page.goto(demoProgram.url);
  await expect(page.getByText('ask for you')).toBeVisible();
  await demoProgram.kill();
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  const notice = page.getByRole('alert').filter({ hasText: 'could not be fetched' });
  await expect(notice).toBeVisible();
  await notice.getByRole('button', { name: 'Try again' }).click();
  await expect(notice).toContainText('does not answer just now');
  await demoProgram.restart();
  await notice.getByRole('button', { name: 'Try again' }).click();
  await expect(page).toHaveURL(/\/shelf$/);
  await expect(page.getByText('linden avenue').first()).toBeVisible();
});
