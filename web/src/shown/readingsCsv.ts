import type { BatchEvent, Payloads } from '@hollow-bell/core/ledger';
import { standingEvents } from '@hollow-bell/core/ledger';
import type { FloatPoint } from '@hollow-bell/core/float';
import { MINUTE_MS, Refusal, readNumber, readSampleTempC, readSg, requireWithin } from '@hollow-bell/core/quantities';
import type { TempUnit, UnitSystem } from '@hollow-bell/core/quantities';
import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import { GRAVITY_INSTRUMENTS } from '@hollow-bell/core/liquid';
import Papa from 'papaparse';
import { guarded } from './csv.ts';

dayjs.extend(customParseFormat);

/** What a column of a file may hold. */
export const ROLES = ['when', 'time', 'gravity', 'brix', 'temperature', 'pH', 'acid', 'SO₂', 'instrument', 'note', 'nothing'] as const;
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
  [/(temp|°c|°f)/, 'temperature'],
  [/^ph/, 'pH'],
  [/(^ta\b|acid)/, 'acid'],
  [/so2|so₂/, 'SO₂'],
  [/^(instrument|read with)/, 'instrument'],
  [/(note|comment|remark)/, 'note'],
];

/** Rows and columns of pasted text or a file; a first row without any number is its heading. */
export function tableOf(text: string): ReadingsTable {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
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
  tempUnit: TempUnit;
  units: UnitSystem;
  now: number;
  onRecord: readonly BatchEvent[];
}

/** A hydrometer where nothing, or nothing known, is said. */
function instrumentOf(named: string): Pick<Payloads['reading'], 'instrument'> {
  const instrument = GRAVITY_INSTRUMENTS.find((each) => each === named.toLowerCase());
  return instrument === undefined || instrument === 'hydrometer' || instrument === 'refractometer' ? {} : { instrument };
}

function payloadOf(cell: (role: Role) => string, { tempUnit, units }: TableWish): Payloads['reading'] | null {
  const number = (role: Role, what: string, low: number, high: number): number =>
    requireWithin(what, readNumber(cell(role)).value, low, high);
  const payload: Payloads['reading'] = {
    ...(cell('gravity') === '' ? {} : { sg: readSg(cell('gravity')), ...instrumentOf(cell('instrument')) }),
    ...(cell('brix') === '' || cell('gravity') !== '' ? {} : { brix: number('brix', 'The refractometer', 0, 45) }),
    ...(cell('temperature') === '' ? {} : { tempC: readSampleTempC(cell('temperature'), tempUnit, units) }),
    ...(cell('pH') === '' ? {} : { ph: number('pH', 'The pH', 2.5, 5) }),
    ...(cell('acid') === '' ? {} : { taGPerL: number('acid', 'The acid', 0, 30) }),
    ...(cell('SO₂') === '' ? {} : { freeSo2MgPerL: number('SO₂', 'Free SO₂', 0, 300) }),
  };
  return Object.keys(payload).length === 0 ? null : payload;
}

/** Reads every row by the roles of its columns. Rows that are wrong are named with what is wrong; nothing is written here. */
export function readTable({ rows, firstRow }: ReadingsTable, wish: TableWish): ReadTable {
  if (!wish.roles.includes('when'))
    return { good: [], already: 0, problems: [{ row: firstRow, sentence: 'No column says when; choose one that holds the date.' }] };
  const keyOf = (at: number, payload: object | null): string => `${Math.round(at / MINUTE_MS)} ${JSON.stringify(payload)}`;
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
    if (event.kind === 'note') return [{ at: event.happenedAt, cells: ['', '', '', '', '', '', '', guarded(event.payload.text)] }];
    if (event.kind !== 'reading') return [];
    const { sg, brix, tempC, ph, taGPerL, freeSo2MgPerL, instrument } = event.payload;
    const by = sg === undefined ? '' : (instrument ?? 'hydrometer');
    return [{ at: event.happenedAt, cells: [sg ?? '', brix ?? '', tempC ?? '', ph ?? '', taGPerL ?? '', freeSo2MgPerL ?? '', by, ''] }];
  });
  const floated = float.map(({ at, sg, tempC }) => ({ at, cells: [sg, '', tempC ?? '', '', '', '', 'float', ''] }));
  const rows = [...byHand, ...floated].sort((a, b) => a.at - b.at);
  return Papa.unparse(
    {
      fields: ['when', 'gravity', 'brix', 'temperature °C', 'pH', 'acid g/L', 'SO2 mg/L', 'instrument', 'note'],
      data: rows.map(({ at, cells }) => [new Date(at).toISOString(), ...cells]),
    },
    { newline: '\n' },
  );
}
