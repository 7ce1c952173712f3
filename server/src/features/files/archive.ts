import type { CellarFile } from '@hollow-bell/contract';
import type { BatchEvent } from '@hollow-bell/core/record';
import type { Reader } from '@hollow-bell/tell';
import { calendarFile } from '@hollow-bell/tell/calendar';
import type { Dated } from '@hollow-bell/tell/calendar';
import { batchToMarkdown, entriesToCsv } from '@hollow-bell/tell/entries';
import { readingsToCsv } from '@hollow-bell/tell/readings';
import { recipeToJson, recipeToMarkdown } from '@hollow-bell/tell/recipe';
import { shelfToCsv } from '@hollow-bell/tell/shelf';
import { strToU8, zip } from 'fflate';
import type { Zippable } from 'fflate';

/** A name that every file system takes, and that no other file of the archive has. */
function fileNames(): (name: string, end: string) => string {
  const taken = new Set<string>();
  return (name, end) => {
    const plain =
      name
        .normalize('NFKD')
        .replace(/[^\p{L}\p{N} _-]/gu, '')
        .trim()
        .slice(0, 60) || 'unnamed';
    for (let i = 1; ; i++) {
      const given = `${plain}${i === 1 ? '' : ` ${i}`}${end}`;
      if (taken.has(given.toLowerCase())) continue;
      taken.add(given.toLowerCase());
      return given;
    }
  };
}

/** Everything that a cellar gives out, in one ZIP: the file that comes in again, and tables and texts for other programs and for eyes. */
export function archiveOf(file: CellarFile, dated: readonly Dated[], reader: Reader): Promise<Buffer> {
  const [batchName, recipeName] = [fileNames(), fileNames()];
  const texts: Record<string, string> = {
    'cellar.hollow-bell.json': `${JSON.stringify(file, null, 1)}\n`,
    'shelf.csv': shelfToCsv(file.shelf),
    'entries.csv': entriesToCsv(file.batches, reader),
    'calendar.ics': calendarFile('Hollow Bell', dated, { ...reader, locale: 'en', now: file.writtenAt }, 'http://localhost'),
  };
  for (const batch of file.batches) {
    const name = batchName(batch.name, '');
    const events = batch.events as unknown as BatchEvent[];
    texts[`batches/${name}.md`] = batchToMarkdown(batch, reader);
    texts[`batches/${name} readings.csv`] = readingsToCsv(events, batch.float);
  }
  for (const recipe of file.recipes) {
    const name = recipeName(recipe.name, '');
    texts[`recipes/${name}.json`] = recipeToJson(recipe);
    texts[`recipes/${name}.md`] = recipeToMarkdown(recipe, reader);
  }
  const files: Zippable = Object.fromEntries(Object.entries(texts).map(([name, text]) => [name, strToU8(text)]));
  for (const { pictures = [] } of file.batches)
    for (const { id, jpeg } of pictures) files[`pictures/${id}.jpg`] = [Buffer.from(jpeg, 'base64'), { level: 0 }];
  return new Promise((resolve, reject) => {
    zip(files, { mtime: new Date(file.writtenAt) }, (error, data) => (error === null ? resolve(Buffer.from(data)) : reject(error)));
  });
}
