import { DAY_MS } from '@hollow-bell/core/quantities';
import { describe, expect, it } from 'vitest';
import { pauseAfter } from '../../http/guesses.ts';
import { codeTyped, isPassphrase, keptPassphrase, newCode } from '../../http/secrets.ts';
import { testApp } from '../../test/server.ts';

const PASSPHRASE = 'four words of linden honey';

describe('guessing', () => {
  it.each([
    [3, 0],
    [4, 1000],
    [5, 2000],
    [13, 512_000],
    [14, 900_000],
    [60, 900_000],
  ])('after %i wrong ones waits %i ms', (failed, ms) => {
    expect(pauseAfter(failed)).toBe(ms);
  });

  it('is slowed down by address, counted before it is looked at, and forgiven when right', async () => {
    let now = Date.UTC(2026, 5, 15, 12);
    const app = await testApp(undefined, () => now);
    const { doors } = app.cellar;
    await doors.setPassphrase(PASSPHRASE);
    const guess = (passphrase: string, address = '10.0.0.9') =>
      doors.signIn(passphrase, 'x', address).then(
        (come) => (come === null ? 'wrong' : 'in'),
        (error: unknown) => (error as Error).message,
      );
    const many = await Promise.all(Array.from({ length: 60 }, () => guess('wrong one here')));
    expect(many.filter((said) => said === 'wrong')).toHaveLength(4);
    expect(many.find((said) => said !== 'wrong')).toMatch(/the next is looked at in 1 seconds/);
    expect(await guess(PASSPHRASE)).toMatch(/Too many wrong ones/);
    expect(await guess(PASSPHRASE, '10.0.0.10'), 'others are not held up').toBe('in');
    now += 1000;
    expect(await guess('wrong one here')).toBe('wrong');
    now += 1999;
    expect(await guess(PASSPHRASE)).toMatch(/Too many/);
    now += 1;
    expect(await guess(PASSPHRASE)).toBe('in');
    expect(await guess('wrong one here'), 'as if it had never been').toBe('wrong');
    await app.app.close();
  });

  it('finds a code gone after ten minutes, and a session after ninety days', async () => {
    let now = Date.UTC(2026, 5, 15, 12);
    const app = await testApp(undefined, () => now);
    const { doors } = app.cellar;
    const late = await doors.makeCode('maker');
    now += 10 * 60_000 + 1;
    expect(await doors.pair(late.code, 'x', '10.0.0.9')).toBeNull();
    const inTime = await doors.makeCode('maker');
    now += 10 * 60_000;
    const { token } = (await doors.pair(inTime.code, 'x', '10.0.0.9'))!;
    now += 90 * DAY_MS - 1;
    expect(await doors.sessionOf(token, '10.0.0.9')).not.toBeNull();
    now += 90 * DAY_MS;
    expect(await doors.sessionOf(token, '10.0.0.9')).toBeNull();
    await app.app.close();
  });
});

describe('what is kept of a secret', () => {
  it('does not give it away, and differs each time', async () => {
    const [one, two] = await Promise.all([keptPassphrase(PASSPHRASE), keptPassphrase(PASSPHRASE)]);
    expect(one).not.toBe(two);
    expect(one).not.toContain(PASSPHRASE);
    expect(await isPassphrase(PASSPHRASE, one)).toBe(true);
    expect(await isPassphrase(`${PASSPHRASE}s`, one)).toBe(false);
    expect(codeTyped(' abcd-2345 ')).toBe('ABCD2345');
    expect(newCode()).toMatch(/^[A-HJ-NP-Z2-9]{8}$/);
  });
});
