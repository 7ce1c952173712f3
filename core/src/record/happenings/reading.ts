import { CALIBRATIONS_C, GRAVITY_INSTRUMENTS, ZERO_AT_MOST, phCalibrationShape } from '../../liquid/index.ts';
import {
  READING_LIMITS,
  Refusal,
  brix,
  choice,
  flag,
  gPerL,
  gravity,
  maybe,
  mgPerL,
  mm,
  number,
  phValue,
  record,
  say,
  tempC,
} from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { takeReading } from '../takeReading.ts';
import { isAllBottled, mixedOf } from '../view.ts';

const limited = (key: keyof typeof READING_LIMITS, usual?: readonly [number, number]) =>
  maybe(number(READING_LIMITS[key].low, READING_LIMITS[key].high, usual));

const isBeforePitch = (at: number, pitchedAt: number | null): boolean => pitchedAt !== null && at < pitchedAt;

/** As read on the instruments, before any correction; at least one of them. A refractometer reads `brix`, all others `sg`. */
export const reading = happening({
  shape: record(
    {
      /** A hydrometer where nothing is said. */
      instrument: maybe(choice(...GRAVITY_INSTRUMENTS)),
      sg: limited('sg', [0.98, 1.15]),
      brix: limited('brix', [0, 30]),
      tempC: limited('tempC', [0, 40]),
      calibrationC: maybe(choice(...CALIBRATIONS_C)),
      ph: limited('ph', [2.6, 4.2]),
      zeroSg: maybe(number(-ZERO_AT_MOST.sg, ZERO_AT_MOST.sg)),
      zeroBrix: maybe(number(-ZERO_AT_MOST.brix, ZERO_AT_MOST.brix)),
      phMeter: maybe(phCalibrationShape),
      /** Read off a paper strip. */
      phStrip: maybe(flag),
      /** Titratable acid as tartaric, g/L. */
      taGPerL: limited('taGPerL'),
      freeSo2MgPerL: limited('freeSo2MgPerL'),
      /** How high the lees stand. */
      leesMm: limited('leesMm'),
    },
    {
      holds: ({ sg, brix, ph, tempC, taGPerL, freeSo2MgPerL, leesMm }) =>
        [sg, brix, ph, tempC, taGPerL, freeSo2MgPerL, leesMm].some((value) => value !== undefined),
      says: 'A reading needs something that was read.',
    },
    {
      holds: ({ sg, brix }) => sg === undefined || brix === undefined,
      says: 'A reading is of one instrument: a gravity or °Brix, not both.',
    },
    {
      holds: ({ instrument, brix }) => brix === undefined || instrument === undefined || instrument === 'refractometer',
      says: 'Only a refractometer reads °Brix.',
    },
  ),
  believe: (ledger, { sg, brix }, { at, pitchedAt }) => {
    if (sg === undefined && brix === undefined) return;
    if (brix !== undefined && isAllBottled(ledger))
      throw new Refusal(
        'Read what comes from a bottle with a hydrometer: alcohol fools a refractometer, and closed glass bears no error.',
        'brix',
      );
    if ((pitchedAt === null || isBeforePitch(at, pitchedAt)) && mixedOf(ledger) === null)
      throw new Refusal('Nothing was poured yet at that time; check when the reading was taken.', 'happenedAt');
  },
  /** A gravity before the pitch is only believed if the must can have read it. */
  believeAfter: ({ history }, { id, at, pitchedAt }) => {
    if (!isBeforePitch(at, pitchedAt)) return;
    const point = history.readings.findLast(({ eventId }) => eventId === id);
    if (point?.verdict !== 'unexplained') return;
    throw new Refusal(
      say`That is before the yeast went in, when the must read about ${gravity(point.expectedSg)}; check the time, or the reading.`,
      'happenedAt',
    );
  },
  apply: takeReading,
  says: ({ instrument, sg, brix: bx, tempC: warm, ph, phStrip, taGPerL, freeSo2MgPerL, leesMm }) => {
    const parts: Sentence[] = [];
    if (sg !== undefined)
      parts.push(instrument === undefined || instrument === 'hydrometer' ? say`${gravity(sg)}` : say`${gravity(sg)} by ${instrument}`);
    if (bx !== undefined) parts.push(say`refractometer ${brix(bx)}`);
    if (ph !== undefined) parts.push(phStrip === true ? say`pH ${phValue(ph)} by strip` : say`pH ${phValue(ph)}`);
    if (taGPerL !== undefined) parts.push(say`acid ${gPerL(taGPerL)}`);
    if (freeSo2MgPerL !== undefined) parts.push(say`free SO₂ ${mgPerL(freeSo2MgPerL)}`);
    if (leesMm !== undefined) parts.push(say`lees ${mm(leesMm)}`);
    const told = parts.flatMap((part, i) => (i === 0 ? part : [', ', ...part]));
    if (warm === undefined) return told;
    return told.length === 0 ? say`${tempC(warm)}` : [...told, ...say` at ${tempC(warm)}`];
  },
  corrects: [
    { name: 'sg', label: 'gravity', kind: 'sg' },
    { name: 'brix', label: 'refractometer', kind: 'brix' },
    { name: 'tempC', label: 'sample at', kind: 'temp' },
    { name: 'ph', label: 'pH', kind: 'ph' },
    { name: 'taGPerL', label: 'acid, as tartaric', kind: 'gramsPerL' },
    { name: 'freeSo2MgPerL', label: 'free SO₂', kind: 'mgPerL' },
    { name: 'leesMm', label: 'lees', kind: 'mm' },
  ],
});
