import Papa from 'papaparse';
import { MOST_ROWS } from './csv.ts';

/** How a file of text is encoded, by its first bytes: some spreadsheets write UTF-16. */
export function encodingOf(first: Uint8Array): string {
  if (first[0] === 0xff && first[1] === 0xfe) return 'utf-16le';
  return first[0] === 0xfe && first[1] === 0xff ? 'utf-16be' : 'utf-8';
}

const CHUNK_BYTES = 1_000_000;

/**
 * The first rows of a table in a file, as text, however long the file is; reading goes on to its end for the count.
 *
 * @param report the share that is read
 */
export async function headOf(file: File, report: (share: number) => void): Promise<{ text: string; rows: number }> {
  const encoding = encodingOf(new Uint8Array(await file.slice(0, 2).arrayBuffer()));
  const kept: string[][] = [];
  let rows = 0;
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[], File>(file, {
      encoding,
      chunkSize: CHUNK_BYTES,
      skipEmptyLines: 'greedy',
      chunk: ({ data, meta }) => {
        rows += data.length;
        kept.push(...data.slice(0, MOST_ROWS + 2 - kept.length));
        report(file.size === 0 ? 1 : Math.min(1, meta.cursor / file.size));
      },
      complete: () => resolve(),
      error: reject,
    });
  });
  return { text: Papa.unparse(kept, { newline: '\n' }), rows };
}
