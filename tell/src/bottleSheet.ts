import { containerOf } from '@hollow-bell/core/carbonate';
import type { BottleStep, CratePlan } from '@hollow-bell/core/bottle';
import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { BRONZE, QUIET, SHEET_FACE, SOOT, sheetPages, tickBox } from './page.ts';
import { shown, shownSentence } from './formats.ts';
import type { Reader } from './formats.ts';

export { SHEET_FACE };

export interface BottleSheet {
  name: string;
  crate: CratePlan;
  steps: readonly BottleStep[];
}

function stepLine({ title, sentence, caution }: BottleStep, reader: Reader): Content {
  const lines: Content[] = [
    { text: [{ text: title, bold: true }, '  ', shownSentence(sentence, reader)] },
    ...(caution === null ? [] : [{ text: shownSentence(caution, reader), color: BRONZE, fontSize: 9 }]),
  ];
  return { columns: [tickBox(), { stack: lines, width: '*' }], columnGap: 6, margin: [0, 0, 0, 7], unbreakable: true };
}

/** The day of bottling as pages to print: the crate, then the steps with boxes to tick, and room for what was really filled. */
export function bottleSheetPages({ name, crate, steps }: BottleSheet, reader: Reader): TDocumentDefinitions {
  const rows = crate.rows.filter(({ count }) => count > 0);
  return sheetPages(`Bottling: ${name}`, name, [
    { text: name, fontSize: 20, bold: true },
    {
      text: `${crate.bottles} bottles, ${shown('volumeL', crate.filledL, reader)}; ${shown('volumeL', crate.overMl / 1000, reader)} over`,
      color: QUIET,
      margin: [0, 2, 0, 10],
    },
    { text: 'Date ____________    Gravity ____________    Volume ____________', margin: [0, 0, 0, 12], color: SOOT },
    {
      layout: 'lightHorizontalLines',
      table: {
        headerRows: 0,
        widths: ['auto', '*', 'auto'],
        body: rows.map(({ row, count }): Content[] => [
          { text: String(count), bold: true },
          { text: `${shown('bottleMl', row.sizeMl, reader)} ${containerOf(row.kind ?? 'other').name}, ${row.closure ?? ''}`, color: SOOT },
          { text: 'really ______', color: QUIET },
        ]),
      },
      margin: [0, 0, 0, 10],
    },
    ...steps.map((step) => stepLine(step, reader)),
  ] satisfies (Content | Column)[]);
}
