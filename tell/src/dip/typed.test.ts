import { afterAll, describe, expect, it, vi } from 'vitest';
import { fold } from '@hollow-bell/core/record';
import { eventsAt } from '@hollow-bell/core/record';
import type { EventContent, Ledger } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { INGREDIENTS, MEAN_HONEY, honeyComposition } from '@hollow-bell/core/ingredients';
import type { Product } from '@hollow-bell/core/nitrogen';
import { typedLines } from '@hollow-bell/core/reference';
import type { TypedCandidate, TypedLine } from '@hollow-bell/core/reference';
import { DipAsk, commonProducts, ingredientProduct, nutrientProduct, readDipLine, takeBatchName, yeastProduct } from './index.ts';
import type { DipContext, DipProduct, DipReading } from './index.ts';

const DAY = 24;
const sg = (value: number): EventContent => ({ kind: 'reading', payload: { sg: value, calibrationC: 20 } });
const must: [number, EventContent][] = [
  [
    0,
    { kind: 'honey', payload: { name: 'hill honey', massG: 1300, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
  ],
  [0, { kind: 'water', payload: { volumeL: 3.7 } }],
];
const active: [number, EventContent][] = [
  ...must,
  [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 3 } }],
  [40, sg(1.079)],
];
const finished: [number, EventContent][] = [...active, [30 * DAY, sg(0.992)], [37 * DAY, sg(0.992)], [44 * DAY, sg(0.992)]];
const stabilized: [number, EventContent][] = [
  ...finished,
  [45 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } }],
  [45 * DAY, { kind: 'sorbate', payload: { massG: 1 } }],
  [47 * DAY, sg(0.992)],
];
const bottled: [number, EventContent][] = [
  ...stabilized,
  [48 * DAY, { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 5 }] } }],
];
const LAST_H = { must: 1, active: 41, finished: 44 * DAY + 1, stabilized: 47 * DAY + 1, bottled: 49 * DAY } as const;
const ROWS = { must, active, finished, stabilized, bottled };
/** Where each stage stands at a moment. */
const standing = (stage: TypedLine['context']['stage'], now: number): Ledger =>
  fold(eventsAt(now - LAST_H[stage] * 3_600_000, ROWS[stage]));

const productOf = (name: string, gPerTsp: number | null): Product => ({
  source: 'own',
  own: { name, ammoniumN: /dap/i.test(name) ? 0.212 : 0, aminoN: /dap/i.test(name) ? 0 : 0.04 },
  ...(gPerTsp === null ? {} : { gPerTeaspoon: gPerTsp }),
});

function ownProduct({ name, kind, gPerTsp, gPerTablet, gPerPacket }: TypedLine['context']['products'][number]): DipProduct[] {
  const measures = { isOwn: true, gPerTsp, gPerTablet, gPerPacket };
  if (kind === 'nutrient') return [{ ...nutrientProduct(productOf(name, gPerTsp), true), ...measures }];
  if (kind === 'yeast') return [{ ...yeastProduct(name, { yeastId: 'allround' }, true), ...measures }];
  if (kind === 'honey') {
    const composition = honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable);
    return [{ ...ingredientProduct({ name, family: 'honey', makes: 'honey', composition, sugarSpread: 0 }, true), ...measures }];
  }
  if (kind === 'acid') {
    const row = INGREDIENTS.find((each) => each.name === name);
    return row === undefined ? [] : [{ ...ingredientProduct(row, true), ...measures }];
  }
  const common = commonProducts(null).find((product) => product.name === name);
  return common === undefined ? [] : [{ ...common, ...measures }];
}

function contextOf({ house, locale, now, context: { stage, products, vessels, plannedDose } }: TypedLine): DipContext {
  const at = new Date(now).getTime();
  return {
    now: at,
    units: house,
    locale,
    instruments: { calibrationC: 20, phMeter: null },
    rules: { dapCapGPerL: 0.96 },
    ledger: standing(stage, at),
    products: [...products.flatMap(ownProduct), ...commonProducts({ yeastId: 'allround' })],
    vessels: vessels.map(({ name, capacityL }) => ({ name, capacityL, kind: 'jug' as const })),
    plannedDose:
      plannedDose === undefined
        ? null
        : { dose: 1, parts: plannedDose.map(({ product, massG }) => ({ massG, product: productOf(product, null) })) },
    doseFor: () => 1,
  };
}

type Happening = { kind: string } & Record<string, unknown>;
/** Events as the table of typed lines names them. */
function happeningsOf({ at, events, splits }: DipReading): Happening[] {
  const parted = splits.map(({ volumeL, vessel }) => ({ kind: 'split', volumeL, vessel: vessel.name }));
  const written = events.flatMap((event): Happening[] => {
    switch (event.kind) {
      case 'reading': {
        const { sg: value, brix, tempC, ph, leesMm, instrument } = event.payload;
        const warm = tempC === undefined ? {} : { tempC };
        return [
          ...(value === undefined
            ? []
            : [{ kind: 'reading', sg: value, at, ...warm, ...(instrument === undefined ? {} : { instrument }) }]),
          ...(brix === undefined ? [] : [{ kind: 'brix', brix, ...warm }]),
          ...(ph === undefined ? [] : [{ kind: 'ph', ph }]),
          ...(leesMm === undefined ? [] : [{ kind: 'lees', heightMm: leesMm }]),
          ...(value === undefined && brix === undefined && tempC !== undefined ? [{ kind: 'temperature', tempC }] : []),
        ];
      }
      case 'nutrient':
        return [
          {
            kind: 'fed',
            product: event.payload.own?.name ?? event.payload.source,
            massG: event.payload.massG,
            dose: event.payload.dose,
            at,
          },
        ];
      case 'removal':
        return [{ kind: event.payload.reason === 'sample' ? 'sampled' : 'lost', ...event.payload }];
      case 'rack':
        return [{ kind: 'racked', volumeL: event.payload.volumeL, vessel: event.payload.into?.[0]?.vessel.name }];
      case 'ingredient':
        return [
          {
            kind: /oak/.test(event.payload.name) ? 'oak' : event.payload.family === 'acid' ? 'acid' : 'ingredient',
            what: event.payload.name,
            product: event.payload.name,
            massG: event.payload.massG,
          },
        ];
      case 'yeast':
        return [{ kind: 'yeast', product: event.payload.name, massG: event.payload.massG }];
      case 'sulfite':
        return [{ kind: 'sulfite', product: 'potassium metabisulfite tablets', massG: event.payload.massG }];
      case 'sorbate':
        return [{ kind: 'sorbate', product: 'potassium sorbate', massG: event.payload.massG }];
      case 'base':
        return [{ kind: 'base', product: `potassium ${event.payload.salt}`, massG: event.payload.massG }];
      case 'bottling':
        return event.payload.bottles.map(({ count, sizeMl }) => ({ kind: 'bottled', count, bottleL: sizeMl / 1000 }));
      case 'cure':
        return [{ kind: event.payload.cure === 'cool' ? 'cooled' : 'warmed', toC: event.payload.toC }];
      case 'note': {
        const { mark, text } = event.payload;
        if (mark === undefined) return [{ kind: 'note', text }];
        const smells = ['sulfur', 'solvent', 'vinegar', 'rubber', 'geranium', 'retching'];
        if (smells.includes(mark)) return [{ kind: 'smell', of: mark }];
        if (mark === 'tasting') return [{ kind: 'taste', text }];
        if (mark === 'bubbling' || mark === 'quiet')
          return [{ kind: 'bubbles', on: mark === 'bubbling', perMinute: Number(/\d+/.exec(text)?.[0] ?? 0) }];
        return [{ kind: mark, text }];
      }
      case 'strain':
        return [{ kind: 'bag_out', massG: event.payload.massG }];
      case 'fining':
        return [{ kind: 'fining', product: event.payload.name, massG: event.payload.massG }];
      case 'heat':
        return [{ kind: 'heated', ...event.payload }];
      case 'bottleOut':
        return [{ kind: event.payload.end === 'opened' ? 'opened' : 'gave', count: event.payload.count }];
      default:
        return [{ kind: event.kind, ...event.payload }];
    }
  });
  return [...parted, ...written];
}

const NOT_COMPARED = new Set(['kind', 'from', 'local', 'minutesAgo', 'day', 'whenAnyOf', 'when']);

function agrees(got: Happening, wanted: Record<string, unknown>): boolean {
  return Object.entries(wanted).every(([key, value]) => {
    if (NOT_COMPARED.has(key)) return key !== 'kind' || got.kind === value;
    const has = got[key];
    if (typeof value === 'number') return typeof has === 'number' && Math.abs(has - value) < 1e-6;
    return typeof has === 'string' && typeof value === 'string'
      ? has.toLowerCase().includes(value.toLowerCase()) || value.toLowerCase().includes(has.toLowerCase())
      : has === value;
  });
}

type Outcome = { read: DipReading; batch: string | undefined } | { ask: DipAsk } | { refused: string };

function outcomeOf(entry: TypedLine, typed = entry.text): Outcome {
  const { batches, openBatch } = entry.context;
  const context = contextOf(entry);
  try {
    const named =
      openBatch === undefined
        ? takeBatchName(
            typed,
            batches.map((name) => ({ name })),
          )
        : null;
    const read = readDipLine(named?.rest ?? typed, context);
    return { read, batch: named?.batch.name ?? openBatch };
  } catch (error) {
    if (error instanceof DipAsk) return { ask: error };
    if (error instanceof Refusal) return { refused: error.message };
    throw error;
  }
}

/** Whether a press leads to what is wanted: at once, or by asking for what is still missing. */
function leadsTo(entry: TypedLine, line: string, wanted: TypedCandidate): boolean {
  if (wanted.batch !== undefined) return line.toLowerCase().startsWith(wanted.batch.toLowerCase());
  const then = outcomeOf(entry, line);
  if ('read' in then)
    return happeningsOf(then.read).some(
      (got) =>
        agrees(got, { ...wanted, needs: undefined, from: undefined, ...(wanted.needs === undefined ? {} : { needs: undefined }) }) ||
        (got.kind === wanted.kind && wanted.needs !== undefined),
    );
  const word = { racked: 'racked', lost: 'foamed', fed: 'hulls', bottled: 'bottled' }[wanted.kind ?? ''];
  return wanted.needs !== undefined && word !== undefined && line.includes(word);
}

describe('lines that makers type', () => {
  afterAll(() => {
    vi.unstubAllEnvs();
  });

  it.each(typedLines.map((entry) => [entry.id, entry.text, entry] as const))('%s “%s”', (_id, text, entry) => {
    vi.stubEnv('TZ', entry.context.timeZone);
    const { expect: wanted } = entry;
    const got = outcomeOf(entry);
    if (wanted.refuse === true && entry.expect.about === 'bottled') {
      expect('read' in got && got.read.events[0]?.kind === 'bottling', 'the check of closed glass refuses it').toBe(true);
      return;
    }
    if (wanted.refuse === true) {
      expect('read' in got, 'nothing is written').toBe(false);
      if ('ask' in got)
        for (const wrong of wanted.mustNotOffer ?? []) expect(got.ask.candidates.map(({ line }) => line)).not.toContain(wrong.toFixed(3));
      return;
    }
    if (wanted.note === true) {
      expect('read' in got && got.read.events).toEqual([{ kind: 'note', payload: { text: text.replace(/^note /, '') } }]);
      return;
    }
    if (wanted.ask === true) {
      if ('read' in got) throw new Error(`written unasked: ${JSON.stringify(got.read.events)}`);
      const lines = 'ask' in got ? got.ask.candidates.map(({ line }) => line) : [];
      for (const each of wanted.candidates ?? [])
        expect(
          lines.some((line) => leadsTo(entry, line, each)),
          `${JSON.stringify(each)} among ${JSON.stringify(lines)}`,
        ).toBe(true);
      return;
    }
    const happenings = wanted.happenings ?? [];
    if (!('read' in got)) {
      const said = 'ask' in got ? got.ask.message : got.refused;
      expect(wanted.or?.includes('ask') === true, `asked or refused: ${said}`).toBe(true);
      return;
    }
    const written = happeningsOf(got.read);
    if (wanted.batch !== undefined) expect(got.batch).toBe(wanted.batch);
    expect(written).toHaveLength(happenings.length);
    for (const each of happenings) {
      expect(
        written.some((one) => agrees(one, each)),
        `${JSON.stringify(each)} in ${JSON.stringify(written)}`,
      ).toBe(true);
      if (typeof each['when'] === 'string') expect(new Date(got.read.at).toISOString()).toBe(new Date(each['when']).toISOString());
      if (Array.isArray(each['whenAnyOf']))
        expect(each['whenAnyOf'].map((moment: string) => new Date(moment).getTime())).toContain(got.read.at);
      if (typeof each['day'] === 'string') {
        expect(new Date(got.read.at).toLocaleDateString('sv-SE')).toBe(each['day']);
        expect(got.read.at).toBeLessThanOrEqual(new Date(entry.now).getTime());
      }
    }
    if (wanted.warn === true) expect(got.read.doubts.length, 'a danger is said before it is written').toBeGreaterThan(0);
    if (wanted.oneDose === true) expect(new Set(written.map(({ dose }) => dose)).size).toBe(1);
  });
});

describe('half a line', () => {
  it('is read, asked about or refused like a whole one, at every key, and so is every line that is offered', () => {
    let asked = 0;
    for (const entry of typedLines)
      for (let keys = 1; keys <= entry.text.length; keys++) {
        const typed = entry.text.slice(0, keys);
        const got = outcomeOf(entry, typed);
        if ('read' in got) expect(got.read.events.length + got.read.splits.length, typed).toBeGreaterThan(0);
        for (const { line } of 'ask' in got ? got.ask.candidates : []) {
          asked += 1;
          expect(line.trim(), typed).not.toBe('');
          outcomeOf(entry, line);
        }
      }
    expect(asked).toBeGreaterThan(300);
  });
});
