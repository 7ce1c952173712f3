import { feedingPracticeOf } from '@hollow-bell/contract';
import type { BatchSummary, CalendarAddress } from '@hollow-bell/contract';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { fold } from '@hollow-bell/core/record';
import { calendarOf } from '@hollow-bell/core/rounds';
import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, happened, newBatch, pitched, plan, testApp } from '../../test/server.ts';
import { calendarFile } from '@hollow-bell/tell/calendar';
import { datedOf } from './dated.ts';
import { HOUR_MS } from '@hollow-bell/core/quantities';

/** Read by another program: an iCalendar parser that knows nothing of this one. */
function readBack(file: string): { uid: string; summary: string; startAt: number; start: Date }[] {
  return new ICAL.Component(ICAL.parse(file) as unknown[]).getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    const start = event.startDate.toJSDate();
    return { uid: event.uid, summary: event.summary, startAt: start.getTime(), start };
  });
}

/** A batch whose yeast went in at this moment, fed by the clock. */
function pitchedAt(at: number): BatchSummary {
  const events = happened(...pitched).map((event, i) => ({ ...event, seq: i + 1, happenedAt: at, enteredAt: at }));
  return {
    id: '6f1c1c60-0d5b-4f8e-9a51-0b1b5a6f0001',
    name: 'Linden',
    createdAt: at,
    lastSeq: 3,
    planVersion: 1,
    plan,
    ledger: fold(events),
  };
}

describe('the calendar', () => {
  it.each([
    ['Europe/Berlin', Date.UTC(2026, 2, 28, 17), '18:00', '19:00'],
    ['America/New_York', Date.UTC(2026, 2, 7, 23), '18:00', '19:00'],
    ['Europe/Berlin', Date.UTC(2026, 9, 24, 16), '18:00', '17:00'],
  ])('keeps 24 hours real across a change of the clocks in %s', (timeZone, pitchAt, pitchClock, doseClock) => {
    const batch = pitchedAt(pitchAt);
    const file = calendarFile(
      'Linden',
      [datedOf(batch, pitchAt + HOUR_MS)],
      { units: 'metric', locale: 'en', now: pitchAt + HOUR_MS },
      'http://localhost:4700',
    );
    const clock = (at: Date): string => new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(at);
    const doses = readBack(file).filter(({ summary }) => summary.includes('Dose'));
    expect(doses[0]!.startAt).toBe(pitchAt + 24 * HOUR_MS);
    expect(clock(new Date(pitchAt))).toBe(pitchClock);
    expect(clock(doses[0]!.start)).toBe(doseClock);
    const planned = calendarOf(batch.ledger, feedingPlanOf(batch.ledger, feedingPracticeOf(plan)), pitchAt + HOUR_MS);
    expect(doses.map(({ startAt }) => startAt)).toEqual(planned.map(({ at }) => Math.floor(at / 1000) * 1000));
  });

  it('says what goes in, in grams, and keeps each entry’s identity when it moves', () => {
    const batch = pitchedAt(NOW - 10 * HOUR_MS);
    const told = (now: number) =>
      readBack(calendarFile('Linden', [datedOf(batch, now)], { units: 'metric', locale: 'en', now }, 'http://localhost'));
    const [first, ...rest] = told(NOW);
    expect(first!.summary.replaceAll('\u00a0', ' ')).toMatch(
      /^Linden: Dose 1: [\d.]+ g organic nutrient and [\d.]+ g diammonium phosphate$/,
    );
    expect(rest).toHaveLength(3);
    expect(told(NOW + HOUR_MS).map(({ uid }) => uid)).toEqual([first, ...rest].map((entry) => entry!.uid));
    expect(new Set([first, ...rest].map((entry) => entry!.uid)).size).toBe(4);
  });
});

describe('its address', () => {
  let app: Awaited<ReturnType<typeof testApp>>;
  beforeAll(async () => {
    app = await testApp();
  });
  afterAll(() => app.app.close());
  const fetched = (url: string) => app.app.inject({ method: 'GET', url: `/api${url}`, headers: { host: 'localhost' } });
  const tokenOf = async (method: 'GET' | 'PUT' | 'DELETE') => (await app.call<CalendarAddress>(method, '/calendar')).body.token ?? null;
  const standing = async () => (await app.call<CalendarAddress>('GET', '/calendar')).body;

  it('is shut until it is asked for, opens to its token alone, and an old one stops working', async () => {
    await newBatch(app, happened(...pitched.map(([h, content]): [number, typeof content] => [h - 90, content])));
    expect(await tokenOf('GET')).toBeNull();
    expect((await fetched('/calendar/anything.ics')).statusCode).toBe(404);
    const first = await tokenOf('PUT');
    expect(first).toMatch(/^[\w-]{32}$/);
    expect(await standing()).toEqual({ isOpen: true, seenAt: null });
    const file = await fetched(`/calendar/${first}.ics`);
    expect(file.headers['content-type']).toContain('text/calendar');
    expect(await standing(), 'told once, then only when it was last asked for').toEqual({ isOpen: true, seenAt: NOW });
    expect(readBack(file.body).some(({ summary }) => summary.startsWith('Linden: Dose'))).toBe(true);
    /** One letter off, whatever its last letter is. */
    const nearly = `${first!.slice(0, -1)}${first!.endsWith('x') ? 'y' : 'x'}`;
    expect((await fetched(`/calendar/${nearly}.ics`)).statusCode).toBe(404);
    const second = await tokenOf('PUT');
    expect(second).not.toBe(first);
    expect((await fetched(`/calendar/${first}.ics`)).statusCode).toBe(404);
    expect(await tokenOf('DELETE')).toBeNull();
    expect((await fetched(`/calendar/${second}.ics`)).statusCode).toBe(404);
  });

  it('gives one batch as a file', async () => {
    const { id } = await newBatch(app, happened(...pitched.map(([h, content]): [number, typeof content] => [h - 90, content])));
    const file = await fetched(`/batches/${id}/calendar.ics`);
    expect(file.headers['content-disposition']).toContain('.ics');
    expect(readBack(file.body)).toHaveLength(4);
  });
});
