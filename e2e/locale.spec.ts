import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { everyView, onwards } from './everyView.ts';

/** What stands on a view, without what was typed into the log word for word and without addresses and codes. */
const textOf = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const copy = document.querySelector('main')!.cloneNode(true) as HTMLElement;
    for (const element of copy.querySelectorAll('.mono, code, .log, svg, canvas, input, textarea')) element.remove();
    /** A maker’s own names may hold any unit. */
    return copy.textContent.replaceAll(/\d+ L (?:bucket|carboy|jug|keg|demijohn)/g, '').replaceAll(/\s+/g, ' ');
  });
const around = (text: string, pattern: RegExp): string[] =>
  [...text.matchAll(pattern)].slice(0, 3).map((match) => text.slice(Math.max(0, match.index - 25), match.index + 25));

async function found(page: Page, url: string, patterns: readonly RegExp[]): Promise<string[]> {
  const wrong: string[] = [];
  await everyView(page, url, onwards, async (path) => {
    const text = await textOf(page);
    for (const pattern of patterns) wrong.push(...around(text, pattern).map((each) => `${path}: ${each}`));
  });
  return wrong;
}

test.describe('a browser in German', () => {
  test.use({ locale: 'de-DE' });

  test('shows English words and German decimals, on every view', async ({ page, readCellar }) => {
    const wrong = await found(page, readCellar.url, [
      /\b(?:Montag|Dienstag|Mittwoch|Donnerstag|Freitag|Samstag|Sonntag|Januar|Februar|März|Juni|Juli|Oktober|Dezember)\b/g,
      /\b(?:Mo|Di|Mi|Do|Fr|Sa|So)\.? \d/g,
      /\d\.\d{1,2}(?!\d)|\d\.\d{4,}/g,
      /\b[AP]M\b/g,
    ]);
    expect(wrong).toEqual([]);
  });
});

test.describe('a browser in the States', () => {
  test.use({ locale: 'en-US', timezoneId: 'America/Chicago' });

  test('shows pounds, gallons and Fahrenheit, decimal points and their clock, on every view', async ({ page, demoCellar }) => {
    const response = await fetch(`${demoCellar.url}/api/practice`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...DEFAULT_PRACTICE, units: 'us', currency: '$' }),
    });
    expect(response.status).toBe(200);
    const wrong = await found(page, demoCellar.url, [
      /\d\s?°C\b/g,
      /\d\skg\b/g,
      /\d\sL\b/g,
      /€/g,
      /\d,\d(?!\d\d)/g,
      /\b(?:1[3-9]|2[0-3]):[0-5]\d\b/g,
    ]);
    expect(wrong).toEqual([]);
  });
});
