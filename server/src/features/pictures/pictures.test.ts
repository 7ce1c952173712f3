import { randomUUID } from 'node:crypto';
import { MOST_PICTURES, MOST_PICTURE_BYTES } from '@hollow-bell/contract';
import type { ApiError, Batch, CellarFile, EntryPicture, Imported } from '@hollow-bell/contract';
import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { happened, newBatch, poured, testApp } from '../../test/server.ts';

type App = Awaited<ReturnType<typeof testApp>>;
interface Pictures {
  pictures: EntryPicture[];
}

const jpegOf = (bytes: number, fill = 7): Buffer => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(bytes - 4, fill)]);
const sent = (entryId: string, jpeg = jpegOf(2000)) => ({ entryId, jpeg: jpeg.toString('base64') });

let app: App;
let batch: Batch;
const events = happened(...poured);
const [first, second] = events.map(({ id }) => id) as [string, string];
beforeAll(async () => {
  app = await testApp();
  batch = await newBatch(app, events);
});
afterAll(() => app.app.close());

const listed = async (at = app): Promise<EntryPicture[]> => (await at.call<Pictures>('GET', `/batches/${batch.id}/pictures`)).body.pictures;
const bytesOf = async (at: App, id: string): Promise<Buffer> =>
  (await at.app.inject({ url: `/api/pictures/${id}.jpg`, headers: { host: 'localhost' } })).rawPayload;

describe('a picture on an entry', () => {
  it('is put there once, however often it is sent, and read as it was sent', async () => {
    const id = randomUUID();
    const jpeg = jpegOf(MOST_PICTURE_BYTES);
    await app.call('PUT', `/pictures/${id}`, sent(first, jpeg));
    const { body } = await app.call<Pictures>('PUT', `/pictures/${id}`, sent(first, jpeg));
    expect(body.pictures.map(({ entryId }) => entryId)).toEqual([first]);
    expect((await bytesOf(app, id)).equals(jpeg)).toBe(true);
    await app.call('PATCH', `/pictures/${id}`, { isOff: true });
  });

  it('is taken off, and put on again', async () => {
    const id = randomUUID();
    await app.call('PUT', `/pictures/${id}`, sent(second));
    expect((await app.call<Pictures>('PATCH', `/pictures/${id}`, { isOff: true })).body.pictures).toEqual([]);
    expect(await listed()).toEqual([]);
    await app.call('PATCH', `/pictures/${id}`, { isOff: false });
    expect((await listed()).map((each) => each.id)).toEqual([id]);
  });

  it.each([
    ['no picture', Buffer.from('<svg onload="alert(1)"/>'), /comes as a JPEG/],
    ['one byte too many', jpegOf(MOST_PICTURE_BYTES + 1), /at most 400 kB/],
  ])('is refused where it is %s', async (_what, bytes, says) => {
    const { status, body } = await app.call<ApiError>('PUT', `/pictures/${randomUUID()}`, sent(first, bytes));
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect(body.message).toMatch(says);
  });

  it('is refused where there is no such entry, or no such picture', async () => {
    expect((await app.call('PUT', `/pictures/${randomUUID()}`, sent(randomUUID()))).status).toBe(404);
    expect((await app.call('PATCH', `/pictures/${randomUUID()}`, { isOff: true })).status).toBe(404);
    expect((await app.call('GET', `/pictures/${randomUUID()}.jpg`)).status).toBe(404);
  });

  it('is one of twelve at most', async () => {
    const third = happened([1, { kind: 'note', payload: { text: 'a look at the lees' } }]);
    await app.call('POST', `/batches/${batch.id}/events`, { afterSeq: 2, events: third });
    const put = () => app.call<ApiError>('PUT', `/pictures/${randomUUID()}`, sent(third[0]!.id));
    for (let i = 0; i < MOST_PICTURES; i++) expect((await put()).status).toBe(200);
    expect((await put()).body.message).toMatch(/at most 12 pictures/);
  });
});

describe('pictures in a file', () => {
  it('go out with their cellar, and come in again byte for byte', async () => {
    const file = (await app.call<CellarFile>('GET', '/files/cellar.json')).body;
    const other = await testApp();
    const done = (await other.call<Imported>('POST', '/files', { file, isTrial: false })).body;
    expect(done.brought.map(({ does }) => does)).toContain('comes in');
    expect(await listed(other)).toEqual(await listed());
    for (const { id } of await listed()) expect((await bytesOf(other, id)).equals(await bytesOf(app, id))).toBe(true);

    const [batchFile] = file.batches;
    const added = { id: randomUUID(), madeAt: 1_780_000_000_000, ...sent(first) };
    const grown = { ...file, batches: [{ ...batchFile!, pictures: [...batchFile!.pictures!, added] }] };
    expect((await other.call<Imported>('POST', '/files', { file: grown, isTrial: false })).body.brought[0]!.does).toBe('grows');
    const astray = { ...file, batches: [{ ...batchFile!, pictures: [{ ...added, entryId: randomUUID() }] }] };
    expect((await other.call<ApiError>('POST', '/files', { file: astray, isTrial: false })).body.message).toMatch(/no entry of it/);
    await other.app.close();
  });

  it('lie beside the tables in the archive', async () => {
    const archive = await app.app.inject({ url: '/api/files/everything.zip', headers: { host: 'localhost' } });
    const names = Object.keys(unzipSync(archive.rawPayload)).filter((name) => name.startsWith('pictures/'));
    expect(names.length).toBe((await listed()).length);
  });
});
