import type { BatchEvent, HouseInstruments, Payloads, Seen } from '@hollow-bell/core/record';
import { makeReading, standingEvents } from '@hollow-bell/core/record';
import type { FloatPoint } from '@hollow-bell/core/float';
import { MINUTE_MS, Refusal, readBrix, readNumber, readPh, readSg, readTempC } from '@hollow-bell/core/quantities';
import type { TempUnit, TypedBy } from '@hollow-bell/core/quantities';
import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import { CALIBRATIONS_C, GRAVITY_INSTRUMENTS } from '@hollow-bell/core/liquid';
import type { CalibrationC } from '@hollow-bell/core/liquid';
import Papa from 'papaparse';
import { MOST_ROWS, TOO_MANY, cleaned, guarded } from './csv.ts';

export { MOST_ROWS };

dayjs.extend(customParseFormat);

/** What a column of a file may hold. */
export const ROLES = [
  'when',
  'time',
  'gravity',
  'brix',
  'temperature',
  'pH',
  'acid',
  'SO₂',
  'lees',
  'instrument',
  'marked for',
  'note',
  'nothing',
] as const;
export type Role = (typeof ROLES)[number];
export type DateOrder = 'day first' | 'month first';

export interface ReadingsTable {
  headings: string[];
  rows: string[][];
  /** The number of the first row, as a spreadsheet counts. */
  firstRow: number;
}

const GUESSES: readonly (readonly [RegExp, Role])[] = [
  [/^(when|date|day|datetime|timestamp|taken|read at)/, 'when'],
  [/^(time|clock|hour)/, 'time'],
  [/(gravity|^sg|^s\.g|density)/, 'gravity'],
  [/(brix|°bx|^bx)/, 'brix'],
  [/^ph/, 'pH'],
  [/(^ta\b|acid)/, 'acid'],
  [/so2|so₂/, 'SO₂'],
  [/^lees/, 'lees'],
  [/^(marked|calibrat)/, 'marked for'],
  [/(temp|°c|°f)/, 'temperature'],
  [/^(instrument|read with)/, 'instrument'],
  [/(note|comment|remark)/, 'note'],
];

/** Rows and columns of pasted text or a file; a first row without any number is its heading. */
export function tableOf(text: string): ReadingsTable {
  const { data } = Papa.parse<string[]>(cleaned(text), { skipEmptyLines: 'greedy', preview: MOST_ROWS + 2 });
  const [first = [], ...rest] = data.map((row) => row.map((cell) => cell.trim()));
  const isHeading = first.some((cell) => cell !== '') && !first.some((cell) => /\d[.,:/-]?\d/.test(cell));
  const width = Math.max(0, ...data.map((row) => row.length));
  const headings = Array.from({ length: width }, (_, i) => (isHeading ? (first[i] ?? '') : '') || `column ${i + 1}`);
  return { headings, rows: isHeading ? rest : [first, ...rest].filter((row) => row.length > 0), firstRow: isHeading ? 2 : 1 };
}

/** What each column probably holds, by its heading; each role once. */
export function guessRoles({ headings }: ReadingsTable): Role[] {
  const given = new Set<Role>();
  return headings.map((heading) => {
    const role = GUESSES.find(([pattern, each]) => !given.has(each) && pattern.test(heading.toLowerCase()))?.[1] ?? 'nothing';
    if (role !== 'nothing') given.add(role);
    return role;
  });
}

const DAYS: Record<DateOrder, readonly string[]> = {
  'day first': ['YYYY-MM-DD', 'DD.MM.YYYY', 'D.M.YYYY', 'DD/MM/YYYY', 'D/M/YYYY', 'D MMM YYYY', 'DD.MM.YY', 'D.M.YY'],
  'month first': ['YYYY-MM-DD', 'MM/DD/YYYY', 'M/D/YYYY', 'MMM D YYYY', 'MM/DD/YY', 'M/D/YY'],
};
const CLOCKS = ['', ' HH:mm', ' H:mm', ' HH:mm:ss', ' h:mm A', ' h:mm a'];
const NOON_H = 12;

/** A moment as files write it; noon where there is a day alone. */
function readMoment(day: string, clock: string, order: DateOrder): number {
  const whole = `${day} ${clock}`.trim();
  if (/^\d{4}-\d\d-\d\dT.*(Z|[+-]\d\d:?\d\d)$/.test(whole)) return new Date(whole).getTime();
  const plain = whole.replace(/^(\d{4}-\d\d-\d\d)T/, '$1 ').replace(/[,.](?=\s)/g, '');
  for (const format of DAYS[order])
    for (const hours of CLOCKS) {
      const read = dayjs(plain, format + hours, true);
      if (read.isValid()) return hours === '' ? read.hour(NOON_H).valueOf() : read.valueOf();
    }
  throw new Refusal(
    `“${whole}” is no time that can be read; write 2026-11-03 18:40, or ${order === 'day first' ? '3.11.2026' : '11/3/2026'} 18:40.`,
  );
}

export interface ReadRow {
  row: number;
  at: number;
  payload: Payloads['reading'] | null;
  note: string;
}

export interface ReadTable {
  good: ReadRow[];
  problems: { row: number; sentence: string }[];
  /** Rows that are on record to the minute already. */
  already: number;
}

export interface TableWish {
  roles: readonly Role[];
  order: DateOrder;
  by: TypedBy;
  tempUnit: TempUnit;
  instruments: HouseInstruments;
  now: number;
  onRecord: readonly BatchEvent[];
}

/** A hydrometer where nothing, or nothing known, is said. */
function instrumentOf(named: string): Pick<Payloads['reading'], 'instrument'> {
  const instrument = GRAVITY_INSTRUMENTS.find((each) => each === named.toLowerCase());
  return instrument === undefined || instrument === 'hydrometer' || instrument === 'refractometer' ? {} : { instrument };
}

function payloadOf(cell: (role: Role) => string, { by, tempUnit, instruments }: TableWish): Payloads['reading'] | null {
  const given = (role: Role): boolean => cell(role) !== '';
  const seen: Seen = {
    ...(given('gravity') ? { sg: readSg(cell('gravity'), by), ...instrumentOf(cell('instrument')) } : {}),
    ...(!given('brix') || given('gravity') ? {} : { brix: readBrix(cell('brix'), by) }),
    ...(given('temperature') ? { tempC: readTempC(cell('temperature'), by, { unit: tempUnit }) } : {}),
    ...(given('pH') ? { ph: readPh(cell('pH'), by) } : {}),
    ...(given('acid') ? { taGPerL: readNumber(cell('acid'), by) } : {}),
    ...(given('SO₂') ? { freeSo2MgPerL: readNumber(cell('SO₂'), by) } : {}),
    ...(given('lees') ? { leesMm: readNumber(cell('lees'), by) } : {}),
  };
  if (Object.keys(seen).length === 0) return null;
  const marked = given('marked for') ? markedFor(cell('marked for')) : instruments.calibrationC;
  return makeReading(seen, { ...instruments, calibrationC: marked });
}

/** For which temperature the hydrometer is marked, °C: 20, or 15.56 (60 °F). */
function markedFor(typed: string): CalibrationC {
  const found = CALIBRATIONS_C.find((each) => Math.abs(each - Number(typed.replace(',', '.').replace(/[^\d.]/g, ''))) < 0.1);
  if (found === undefined) throw new Refusal(`A hydrometer is marked for 20 or for 15.56 °C, not for “${typed}”.`);
  return found;
}

/** Reads every row by the roles of its columns. Rows that are wrong are named with what is wrong; nothing is written here. */
export function readTable({ rows, firstRow }: ReadingsTable, wish: TableWish): ReadTable {
  if (!wish.roles.includes('when'))
    return { good: [], already: 0, problems: [{ row: firstRow, sentence: 'No column says when; choose one that holds the date.' }] };
  if (rows.length > MOST_ROWS) return { good: [], already: 0, problems: [{ row: firstRow + MOST_ROWS, sentence: TOO_MANY }] };
  /** What was read, whatever the house's instruments add to it. */
  const keyOf = (at: number, payload: Payloads['reading'] | null): string => {
    const { sg, brix, tempC, ph, taGPerL, freeSo2MgPerL, leesMm, instrument } = payload ?? {};
    return `${Math.round(at / MINUTE_MS)} ${[sg, brix, tempC, ph, taGPerL, freeSo2MgPerL, leesMm, instrument].join(' ')}`;
  };
  const known = new Set(
    standingEvents(wish.onRecord).flatMap((event) => (event.kind === 'reading' ? [keyOf(event.happenedAt, event.payload)] : [])),
  );
  const found: ReadTable = { good: [], problems: [], already: 0 };
  rows.forEach((cells, i) => {
    const row = firstRow + i;
    const cell = (role: Role): string => cells[wish.roles.indexOf(role)] ?? '';
    try {
      const at = readMoment(cell('when'), wish.roles.includes('time') ? cell('time') : '', wish.order);
      if (at > wish.now) throw new Refusal('That time lies in the future; is the day before the month, or behind it?');
      const payload = payloadOf(cell, wish);
      const note = cell('note').slice(0, 2000);
      if (payload === null && note === '') throw new Refusal('Nothing was read in this row.');
      if (payload !== null && known.has(keyOf(at, payload))) found.already += 1;
      else found.good.push({ row, at, payload, note });
      known.add(keyOf(at, payload));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      found.problems.push({ row, sentence: error.message });
    }
  });
  return found;
}

/** All readings of a batch, its float's too, as a table that any spreadsheet opens and that can be read back. */
export function readingsToCsv(events: readonly BatchEvent[], float: readonly FloatPoint[]): string {
  const byHand = standingEvents(events).flatMap((event) => {
    if (event.kind === 'note') return [{ at: event.happenedAt, cells: ['', '', '', '', '', '', '', '', '', guarded(event.payload.text)] }];
    if (event.kind !== 'reading') return [];
    const { sg, brix, tempC, ph, taGPerL, freeSo2MgPerL, leesMm, instrument, calibrationC } = event.payload;
    const by = sg === undefined ? '' : (instrument ?? 'hydrometer');
    return [
      {
        at: event.happenedAt,
        cells: [sg ?? '', brix ?? '', tempC ?? '', ph ?? '', taGPerL ?? '', freeSo2MgPerL ?? '', leesMm ?? '', by, calibrationC ?? '', ''],
      },
    ];
  });
  const floated = float.map(({ at, sg, tempC }) => ({ at, cells: [sg, '', tempC ?? '', '', '', '', '', 'float', '', ''] }));
  const rows = [...byHand, ...floated].sort((a, b) => a.at - b.at);
  return Papa.unparse(
    {
      fields: ['when', 'gravity', 'brix', 'temperature °C', 'pH', 'acid g/L', 'SO2 mg/L', 'lees mm', 'instrument', 'marked for °C', 'note'],
      data: rows.map(({ at, cells }) => [new Date(at).toISOString(), ...cells]),
    },
    { newline: '\n' },
  );
}
