import { LABEL_PADDING_MM as PADDING_MM, PAPER_MM } from '@hollow-bell/core/bottle';
import type { LabelGrid, LaidLabel, Placed } from '@hollow-bell/core/bottle';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { SHEET_FACE, SOOT } from '../page.ts';

export { SHEET_FACE };
const PT_PER_MM = 72 / 25.4;
const pt = (mm: number): number => mm * PT_PER_MM;

interface PrintedLabel {
  laid: LaidLabel;
  placed: Placed;
}

export interface LabelSheet {
  title: string;
  grid: LabelGrid;
  labels: readonly PrintedLabel[];
  /** The code that opens its record, as an SVG drawing; null for none. */
  code: string | null;
  /** A picture as a data address; null for none. */
  picture: string | null;
  /** Lines to cut along, or to hold a test print by. */
  outlines: boolean;
}

function labelContent({ laid, placed }: PrintedLabel, { grid, code, picture, outlines }: LabelSheet): Content[] {
  const [x, y] = [pt(placed.x), pt(placed.y)];
  const right = placed.x + grid.width - PADDING_MM - (laid.qrMm ?? 0);
  const pictureMm = picture === null ? 0 : Math.min(12, grid.height / 3);
  return [
    ...(outlines
      ? [
          {
            absolutePosition: { x, y },
            canvas: [{ type: 'rect' as const, x: 0, y: 0, w: pt(grid.width), h: pt(grid.height), lineWidth: 0.4, lineColor: '#9aa39d' }],
          },
        ]
      : []),
    {
      absolutePosition: { x: x + pt(PADDING_MM), y: y + pt(PADDING_MM) },
      columns: [
        {
          width: pt(laid.textMm),
          stack: laid.lines.map(({ text, points, bold }) => ({ text, fontSize: points, bold: bold === true, lineHeight: 1.08 })),
        },
      ],
    },
    ...(code === null || laid.qrMm === null
      ? []
      : [
          {
            absolutePosition: { x: pt(right), y: y + pt(PADDING_MM) },
            svg: code,
            width: pt(laid.qrMm),
            height: pt(laid.qrMm),
          },
        ]),
    ...(picture === null
      ? []
      : [
          {
            absolutePosition: { x: pt(right), y: y + pt(PADDING_MM + (laid.qrMm ?? -1) + 1) },
            image: picture,
            fit: [pt(pictureMm), pt(pictureMm)] as [number, number],
          },
        ]),
  ];
}

/** Labels as pages of PDF, each where its sheet has it, nothing but labels on them. */
export function labelPages(sheet: LabelSheet): TDocumentDefinitions {
  const { width, height } = PAPER_MM[sheet.grid.paper];
  const pages = Math.max(1, ...sheet.labels.map(({ placed }) => placed.page + 1));
  const content = Array.from({ length: pages }, (_, page): Content => ({
    stack: [
      { text: ' ', fontSize: 1 },
      ...sheet.labels.filter(({ placed }) => placed.page === page).flatMap((label) => labelContent(label, sheet)),
    ],
    ...(page === 0 ? {} : { pageBreak: 'before' as const }),
  }));
  return {
    pageSize: { width: pt(width), height: pt(height) },
    pageMargins: [0, 0, 0, 0],
    info: { title: sheet.title },
    defaultStyle: { font: SHEET_FACE, color: SOOT },
    content,
  };
}
