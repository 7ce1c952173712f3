import { FIELD_KINDS, TypedRefusal, gravity, meantSg, readField, say } from '@hollow-bell/core/quantities';
import type { FieldKind, TypedBy } from '@hollow-bell/core/quantities';

/** What the keys of the reading pad write: a beginning that is expected, and behind it what is read off the glass. */
export interface Pressed {
  begins: string;
  /** The beginning was pressed, and does not only stand ready. */
  isChosen: boolean;
  digits: string;
}
export const NOTHING_PRESSED: Pressed = { begins: '', isChosen: false, digits: '' };

/** Kinds that are read like a stem: the long mark, then the short ones. By how many steps one makes a beginning, and its decimals. */
const STEMS: Partial<Record<FieldKind, { perUnit: number; decimals: number }>> = {
  sg: { perUnit: 100, decimals: 2 },
  ph: { perUnit: 10, decimals: 1 },
};
const BEGINNINGS = 5;

/**
 * The beginnings nearest to an expected value, as this maker writes them; the one in the middle or nearest to it stands ready.
 * Empty for what has no stem, or where nothing is expected.
 */
export function beginningsNear(
  kind: FieldKind,
  near: number | null,
  { locale }: Pick<TypedBy, 'locale'>,
): { all: string[]; ready: string } {
  const stem = STEMS[kind];
  if (stem === undefined || near === null) return { all: [], ready: '' };
  const { low, high } = FIELD_KINDS[kind].limits;
  /** A value that falls on a mark belongs to it, whatever its last bits say. */
  const mark = (value: number): number => Math.floor(value * stem.perUnit + 1e-6);
  const middle = Math.min(mark(high), Math.max(mark(low), mark(near)));
  const first = Math.max(mark(low), Math.min(middle - Math.floor(BEGINNINGS / 2), mark(high) - BEGINNINGS + 1));
  const written = (k: number): string =>
    (k / stem.perUnit).toLocaleString(locale, { minimumFractionDigits: stem.decimals, maximumFractionDigits: stem.decimals });
  return { all: Array.from({ length: BEGINNINGS }, (_, i) => written(first + i)), ready: written(middle) };
}

/** A third digit, or a point, drops what stood ready: it is typed whole. */
const isWhole = ({ begins, digits }: Pressed): boolean => begins === '' || digits.length > 2 || /[.,]/.test(digits);

/** The text that stands in the field. */
export const pressedText = (pressed: Pressed): string => (isWhole(pressed) ? pressed.digits : `${pressed.begins}${pressed.digits}`);

/**
 * What was pressed, in SI; null while nothing is.
 * @throws TypedRefusal with what may have been meant. Two digits behind a beginning that was not pressed may be points, or half a mark.
 */
export function readPressed(kind: FieldKind, named: string, pressed: Pressed, by: TypedBy): number | null {
  if (pressed.digits === '') return null;
  const value = readField(pressedText(pressed), { kind, named }, by);
  const points = kind === 'sg' && !isWhole(pressed) && !pressed.isChosen && pressed.digits.length === 2 ? Number(pressed.digits) : null;
  const asPoints = points === null ? undefined : meantSg(String(points), points);
  if (asPoints === undefined || asPoints === value) return value;
  const told = say`${gravity(asPoints)}`;
  throw new TypedRefusal(say`${pressed.digits} may be points, ${gravity(asPoints)}, or stand behind ${pressed.begins}.`, [
    { value: asPoints, said: told },
    { value, said: [pressedText(pressed)] },
  ]);
}
