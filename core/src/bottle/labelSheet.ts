import { Refusal } from '../quantities/index.ts';

export type Paper = 'a4' | 'letter';
/** Sheets of paper, mm (ISO 216; 8.5 × 11 in). */
export const PAPER_MM: Record<Paper, { width: number; height: number }> = {
  a4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
};

/** How labels stand on a sheet, mm. */
export interface LabelGrid {
  paper: Paper;
  columns: number;
  rows: number;
  width: number;
  height: number;
  left: number;
  top: number;
  gapX: number;
  gapY: number;
}

const grid = (
  paper: Paper,
  columns: number,
  rows: number,
  width: number,
  height: number,
  left: number,
  top: number,
  gapX = 0,
  gapY = 0,
): LabelGrid => ({
  paper,
  columns,
  rows,
  width,
  height,
  left,
  top,
  gapX,
  gapY,
});

/** Common sheets, by the size of a label; a sheet's own leaflet says its margins, and a test print shows them. */
export const LABEL_GRIDS: readonly LabelGrid[] = [
  grid('a4', 3, 10, 70, 29.7, 0, 0),
  grid('a4', 3, 8, 70, 36, 0, 4.5),
  grid('a4', 3, 7, 70, 42.3, 0, 0.45),
  grid('a4', 2, 7, 99.1, 38.1, 4.65, 15.15, 2.5),
  grid('a4', 2, 4, 105, 74, 0, 0.5),
  grid('letter', 3, 10, 66.675, 25.4, 4.76, 12.7, 3.175),
  grid('letter', 2, 5, 101.6, 50.8, 4, 12.7, 4.7),
  grid('letter', 2, 3, 101.6, 84.67, 4, 12.7, 4.7),
];

/** A label of one's own size on plain paper: as many as fit between margins of 8 mm, 2 mm apart for the scissors. @throws Refusal for one that is too small or fits on no sheet */
export function ownGrid(paper: Paper, width: number, height: number): LabelGrid {
  const { width: sheetWide, height: sheetHigh } = PAPER_MM[paper];
  const [margin, gap] = [8, 2];
  if (!(width >= LEAST_MM.width) || !(height >= LEAST_MM.height))
    throw new Refusal(`A label is at least ${LEAST_MM.width} mm wide and ${LEAST_MM.height} mm high.`, 'width');
  const columns = Math.floor((sheetWide - 2 * margin + gap) / (width + gap));
  const rows = Math.floor((sheetHigh - 2 * margin + gap) / (height + gap));
  if (columns < 1 || rows < 1) throw new Refusal(`A label of ${width} × ${height} mm does not fit on this paper.`, 'width');
  return grid(paper, columns, rows, width, height, margin, margin, gap, gap);
}
const LEAST_MM = { width: 30, height: 15 } as const;

export interface Placed {
  page: number;
  x: number;
  y: number;
}

/**
 * Where each of so many labels stands, mm from the left and the top of its page.
 *
 * @param startAt the first that is still on its sheet, from 1
 * @param shift what a test print was off, mm
 * @throws Refusal for a beginning that is not on the sheet
 */
export function placeLabels(
  { columns, rows, width, height, left, top, gapX, gapY }: LabelGrid,
  count: number,
  startAt: number,
  shift = { x: 0, y: 0 },
): Placed[] {
  const each = columns * rows;
  if (!Number.isInteger(startAt) || startAt < 1 || startAt > each)
    throw new Refusal(`The sheet has ${each} labels: begin at 1 to ${each}.`, 'startAt');
  return Array.from({ length: count }, (_, i) => {
    const n = startAt - 1 + i;
    const at = n % each;
    return {
      page: Math.floor(n / each),
      x: left + shift.x + (at % columns) * (width + gapX),
      y: top + shift.y + Math.floor(at / columns) * (height + gapY),
    };
  });
}

/** A code that holds an address is read by a telephone from this size on, mm (our estimate: half a millimeter for each of its squares). */
const LEAST_QR_MM = 15;
/** Around it stay this many mm free. */
export const LABEL_PADDING_MM = 2.5;
/** The height of a line at its size in points, mm. */
const mmOf = (points: number): number => points * 0.3528 * 1.2;
/** Letters of our face are about so wide at their size (measured on its lower case). */
const LETTER = { regular: 0.5, bold: 0.56 } as const;

export interface LabelLine {
  text: string;
  points: number;
  bold?: boolean;
}

export interface LaidLabel {
  lines: LabelLine[];
  /** Side of the code; null where none stands on it. */
  qrMm: number | null;
  textMm: number;
}

const widthOf = ({ text, points, bold }: LabelLine): number => text.length * points * 0.3528 * LETTER[bold === true ? 'bold' : 'regular'];
const rowsOf = (line: LabelLine, wide: number): number => Math.max(1, Math.ceil(widthOf(line) / wide));

/**
 * Lays lines on a label: they get smaller together until all of them fit, down to six points.
 *
 * @throws Refusal where they do not fit, or where the code would be too small to be read
 */
export function layLabel({ width, height }: Pick<LabelGrid, 'width' | 'height'>, lines: readonly LabelLine[], withQr: boolean): LaidLabel {
  const qrMm = withQr ? Math.min(height - 2 * LABEL_PADDING_MM, width / 3, 26) : null;
  if (qrMm !== null && qrMm < LEAST_QR_MM)
    throw new Refusal(
      `A code of ${qrMm.toFixed(0)} mm cannot be read: it wants ${LEAST_QR_MM} mm. Take a larger label, or leave the code away.`,
      'qr',
    );
  const textMm = width - 2 * LABEL_PADDING_MM - (qrMm === null ? 0 : qrMm + LABEL_PADDING_MM);
  for (let shrink = 1; shrink >= 0.5; shrink -= 0.05) {
    const laid = lines.map((line) => ({ ...line, points: Math.max(LEAST_POINTS, line.points * shrink) }));
    const high = laid.reduce((sum, line) => sum + rowsOf(line, textMm) * mmOf(line.points), 0);
    if (high <= height - 2 * LABEL_PADDING_MM) return { lines: laid, qrMm, textMm };
  }
  throw new Refusal('The text is too long for this label, even at six points: shorten it, or take a larger one.', 'text');
}
const LEAST_POINTS = 6;
