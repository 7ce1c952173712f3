import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces';

/** The face that whoever makes the pages has to bring along. */
export const SHEET_FACE = 'Atkinson Hyperlegible Next';
export const SOOT = '#1e2422';
export const BRONZE = '#8c5a22';
export const QUIET = '#4d5853';

/** A box to tick; a fresh one for each step: the page maker writes positions into what it is given. */
export const tickBox = (): Column => ({
  canvas: [{ type: 'rect', x: 0, y: 1, w: 11, h: 11, r: 1, lineColor: SOOT, lineWidth: 0.9 }],
  width: 20,
});

/** A sheet of working paper: our face and margins, the name and the page below. */
export const sheetPages = (title: string, name: string, content: Content[]): TDocumentDefinitions => ({
  pageSize: 'A4',
  pageMargins: [48, 48, 48, 52],
  info: { title },
  defaultStyle: { font: SHEET_FACE, fontSize: 10.5, color: SOOT, lineHeight: 1.18 },
  content,
  footer: (page, pages) => ({ text: `${name}  ·  ${page} of ${pages}`, alignment: 'center', fontSize: 8.5, color: QUIET }),
});
