import type { DoseNow } from '@hollow-bell/core/feed';
import type { BrewStep, MustFigures, MustPlan, Style } from '@hollow-bell/core/must';
import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { BRONZE, QUIET, SHEET_FACE, sheetPages, tickBox } from './page.ts';
import { shown, shownRange, shownSentence } from './formats.ts';
import type { Reader } from './formats.ts';
import { doseTold } from '@hollow-bell/core/rounds';

const PARTS: Record<BrewStep['part'], string> = {
  ready: 'Make ready',
  mix: 'Mix',
  measure: 'Measure',
  pitch: 'Pitch',
  later: 'Later',
};
export { SHEET_FACE };

export interface BrewSheet {
  name: string;
  plan: MustPlan;
  figures: MustFigures;
  style: Style;
  steps: readonly BrewStep[];
  doses: readonly DoseNow[];
}

function amountOf({ deed }: BrewStep, reader: Reader): string {
  if (deed.kind === 'water') return shown('volumeL', deed.volumeL, reader);
  return 'massG' in deed ? shown('massG', deed.massG, reader) : '';
}

function stepLine(step: BrewStep, reader: Reader): Content {
  const amount = amountOf(step, reader);
  const lines: Content[] = [
    { text: [{ text: step.title, bold: true }, '  ', shownSentence(step.sentence, reader)] },
    ...(step.caution === null ? [] : [{ text: shownSentence(step.caution, reader), color: BRONZE, fontSize: 9 }]),
  ];
  const really: Column[] = amount === '' ? [] : [{ text: `${amount}\nreally ________`, alignment: 'right', width: 92 }];
  return { columns: [tickBox(), { stack: lines, width: '*' }, ...really], columnGap: 6, margin: [0, 0, 0, 7], unbreakable: true };
}

/** When a dose comes, for a sheet that is printed before anyone knows the hour of the pitch. */
function doseTime({ dose: { clockH, share } }: DoseNow, reader: Reader): string {
  const clock = clockH === 0 ? 'at the pitch' : `${shown('hours', clockH, reader)} after the pitch`;
  return share === null ? clock : `once ${shown('percent', 100 * share, reader)} of the sugar is gone, at the latest ${clock}`;
}

function doseLine(dose: DoseNow, reader: Reader): Content {
  const told = [{ text: `Dose ${dose.dose.number}`, bold: true }, `  ${doseTime(dose, reader)}: `, shownSentence(doseTold(dose), reader)];
  const really: Column = { text: 'really ________\nat ________', alignment: 'right', width: 92 };
  return { columns: [tickBox(), { text: told, width: '*' }, really], columnGap: 6, margin: [0, 0, 0, 7], unbreakable: true };
}

const feedingPart = (doses: readonly DoseNow[], reader: Reader): Content[] =>
  doses.length === 0
    ? []
    : [
        { text: 'Feed', fontSize: 13, bold: true, color: BRONZE, margin: [0, 9, 0, 5] },
        ...doses.map((dose) => doseLine(dose, reader)),
        {
          text: 'Degas slowly before each dose: powder makes the must erupt. After a loss, or where it goes faster than the clock, look here no more: work the rest out anew.',
          color: BRONZE,
          fontSize: 9,
        },
      ];

/** The brew day as pages to print: what it should make, then the steps with boxes to tick and room for what was really poured. */
export function brewSheetPages({ name, plan, figures, style, steps, doses }: BrewSheet, reader: Reader): TDocumentDefinitions {
  const figure = (label: string, kind: Parameters<typeof shown>[0], ranged: MustFigures['og']): Content[] => [
    { text: label, color: QUIET },
    { text: shown(kind, ranged.value, reader), bold: true },
    { text: shownRange(kind, ranged, reader), color: QUIET },
  ];
  const parts = (Object.keys(PARTS) as BrewStep['part'][]).filter((part) => steps.some((step) => step.part === part));
  return sheetPages(`Brew day: ${name}`, name, [
    { text: name, fontSize: 20, bold: true },
    {
      text: `${style.name}, ${shown('percent', 100 * style.honeyShare, reader)} of the sugar from honey, in the ${plan.vessel.name}`,
      color: QUIET,
      margin: [0, 2, 0, 10],
    },
    {
      text: 'Date ____________    Gravity ____________    at ______ °    pH ________    Yeast in at ____________',
      margin: [0, 0, 0, 12],
    },
    {
      layout: 'lightHorizontalLines',
      table: {
        headerRows: 0,
        widths: ['*', 'auto', 'auto'],
        body: [
          figure('Volume at the pitch', 'volumeL', figures.volumeL),
          figure('Original gravity', 'sg', figures.og),
          figure('Alcohol it ends with', 'abv', figures.abv),
          figure('Stops near', 'sg', figures.fg),
          figure('After racking', 'volumeL', figures.rackedL),
        ],
      },
      margin: [0, 0, 0, 6],
    },
    ...parts.flatMap((part): Content[] => [
      { text: PARTS[part], fontSize: 13, bold: true, color: BRONZE, margin: [0, 9, 0, 5] },
      ...steps.filter((step) => step.part === part).map((step) => stepLine(step, reader)),
    ]),
    ...feedingPart(doses, reader),
  ]);
}
