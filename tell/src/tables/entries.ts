import type { BatchFile } from '@hollow-bell/contract';
import { eventSentence, logOf } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import Papa from 'papaparse';
import { shownSentence } from '../formats.ts';
import type { Reader } from '../formats.ts';
import { guarded } from './csv.ts';

const day = (at: number): string => new Date(at).toISOString();

/** Every entry of some batches, a line each, in the words of the log. */
export function entriesToCsv(batches: readonly BatchFile[], reader: Reader): string {
  const rows = batches.flatMap(({ name, events }) =>
    logOf(events as unknown as BatchEvent[]).map(({ standing, withdrawn, amendments }) => [
      guarded(name),
      day(standing.happenedAt),
      day(standing.enteredAt),
      standing.kind,
      guarded(shownSentence(eventSentence(standing), reader)),
      withdrawn ? 'taken back' : amendments.length > 0 ? 'corrected' : '',
    ]),
  );
  return Papa.unparse({ fields: ['batch', 'when', 'entered', 'kind', 'entry', 'state'], data: rows }, { newline: '\n' });
}

/** One batch for reading: its log, with the pictures on its entries as they lie in the archive. */
export function batchToMarkdown({ name, events, pictures = [] }: BatchFile, reader: Reader): string {
  const lines = logOf(events as unknown as BatchEvent[]).map(({ first, standing, withdrawn }) => {
    const said = shownSentence(eventSentence(standing), reader).replaceAll('\n', ' ');
    const shown = pictures.filter(({ entryId }) => entryId === first.id).map(({ id }) => ` ![picture](../pictures/${id}.jpg)`);
    return `- ${day(standing.happenedAt).slice(0, 16).replace('T', ' ')}: ${withdrawn ? `~~${said}~~` : said}${shown.join('')}`;
  });
  return [`# ${name}`, '', ...lines, ''].join('\n');
}
