/** A number as typed. More than one value where a mark may part thousands or decimals in that locale, the likelier first. */
export interface Figure {
  values: readonly number[];
  /** How it was typed, for sentences. */
  text: string;
}

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** Spaces and apostrophes that some write between thousands. A plain space parts two numbers. */
const THIN = '\u00a0\u202f\u2009\u2007';
const PARTERS = `${THIN}'’′`;

/** Lower case, one kind of space, minus and fraction; marks between thousands are kept. */
export const tidied = (text: string): string =>
  text
    .replace(/[½⅓⅔¼¾⅕⅛⅜⅝⅞]/g, (sign) => ` ${FRACTIONS[sign] ?? ''}`)
    .replace(/℃/g, '°c')
    .replace(/℉/g, '°f')
    .replace(/[−–—]/g, '-')
    .replace(new RegExp(`[${THIN}](?!\\d{3}(?!\\d))`, 'g'), ' ')
    .toLowerCase()
    .trim()
    .replace(/ +/g, ' ');

const groupMarks = new Map<string, string>();
/** What parts thousands where one reads and writes like that. */
function groupMarkOf(locale: string): string {
  const known = groupMarks.get(locale);
  if (known !== undefined) return known;
  const mark = new Intl.NumberFormat(locale).formatToParts(1_234_567).find(({ type }) => type === 'group')?.value ?? '';
  groupMarks.set(locale, mark);
  return mark;
}

/** The digits of one number with its marks, without sign and unit; null for what is none. */
function valuesOf(digits: string, locale: string): number[] | null {
  const parted = new RegExp(`^\\d{1,3}(?:[${PARTERS}]\\d{3})+([.,]\\d+)?$`);
  if (parted.test(digits)) return [Number(digits.replace(new RegExp(`[${PARTERS}]`, 'g'), '').replace(',', '.'))];
  if (new RegExp(`[${PARTERS}]`).test(digits)) return null;
  const marks = digits.replace(/\d/g, '');
  if (marks === '') return [Number(digits)];
  if (marks.length > 1) {
    const [first, last] = [marks[0] ?? '', marks.at(-1) ?? ''];
    const group = first === '.' ? '\\.' : ',';
    const rest = first === last ? '' : `(?:${last === '.' ? '\\.' : ','}\\d+)`;
    if (!new RegExp(`^\\d{1,3}(?:${group}\\d{3})+${rest}$`).test(digits)) return null;
    return [Number(digits.replaceAll(first, '').replace(',', '.'))];
  }
  const decimal = Number(digits.replace(',', '.'));
  const isThousands = /^[1-9]\d{0,2}[.,]\d{3}$/.test(digits) && groupMarkOf(locale) === marks;
  return isThousands ? [Number(digits.replace(marks, '')), decimal] : [decimal];
}

const DIGITS = `\\d[\\d.,${PARTERS}]*|[.,]\\d+`;
/** “4 3/4”, “2-1/2”, “3/8”, “1,250.5”, “.998”. */
const FIGURE = new RegExp(`^(?:(?:(\\d+)[ -]+)?(\\d+)/(\\d+)(?![\\d/])|(${DIGITS}))`);

/** Takes a number off the front of tidied text; null where there is none, or none that can be read. */
export function takeFigure(text: string, locale: string): { figure: Figure; rest: string } | null {
  const match = FIGURE.exec(text);
  if (match === null) return null;
  const [whole, units, over, under, digits] = match;
  const rest = text.slice(whole.length);
  if (over !== undefined) {
    if (Number(under) === 0) return null;
    return { figure: { values: [Number(units ?? 0) + Number(over) / Number(under)], text: whole }, rest };
  }
  /** A mark at the end closes a sentence or waits for its digits. */
  const tidy = (digits ?? '').replace(new RegExp(`[.,${PARTERS}]+$`), '');
  const values = valuesOf(tidy, locale);
  return values === null ? null : { figure: { values, text: tidy }, rest: text.slice(tidy.length).replace(/^[.,](?=\s|$)/, '') };
}
