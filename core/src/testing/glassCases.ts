import glass from '../reference/glass/glass.json' with { type: 'json' };
import { judge } from '../glass/index.ts';
import type { GlassPlan, Judgement } from '../glass/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import { eventsAt, fold, mixedOf, parcelOf } from '../record/index.ts';
import type { BatchEvent, BottleRow, EventContent, Ledger, PrimingId } from '../record/index.ts';

/* Histories with their verdict for closed glass, `reference/glass/README.md`, as records of this program. */

interface CaseYeast {
  toleranceAbv: number;
  lowC: number;
  highC: number;
}
export type CaseEvent = { day: number; what: string } & Record<string, unknown>;

export interface GlassCase {
  id: string;
  says: string;
  yeast: CaseYeast;
  events: CaseEvent[];
  ask: {
    day: number;
    kind: 'still' | 'sparkling' | 'keg';
    bottle?: { kind: BottleRow['kind']; closure: BottleRow['closure']; sizeMl: number; count: number; ratedVolumes?: number };
    prime?: { what: PrimingId; massG: number; where: 'bulk' | 'each'; volumeL: number; warmestC: number; fermentable?: number };
  };
  verdict: 'open' | 'ask' | 'shut';
  because: string;
  opensBy?: { deed: string; day: number; sg?: number; becomes?: 'ask' };
  mustNotSay?: string[];
  soft?: boolean;
}

export const glassCases = (): GlassCase[] => (glass as unknown as { cases: GlassCase[] }).cases;

const PITCHED = Date.UTC(2026, 2, 1, 12);
export const momentOfDay = (day: number): number => PITCHED + day * DAY_MS;

const nothing = { ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 };
const FAMILY = { fruit: 'fruit', juice: 'juice', malt: 'malt', sugar: 'sugar' } as const;

function contentOf(event: CaseEvent, yeast: CaseYeast): EventContent[] {
  const n = (name: string): number => event[name] as number;
  const ingredient = (
    family: 'fruit' | 'juice' | 'malt' | 'sugar' | 'sweetener',
    sugar: number,
    unfermentable: number,
    insoluble = 0,
  ): EventContent => ({
    kind: 'ingredient',
    payload: {
      name: event.what,
      family,
      makes: 'none',
      massG: n('massG'),
      composition: { sugar, unfermentable, insoluble, ...nothing },
      sugarSpread: 0,
      ...(event.heated === true ? { heated: true } : {}),
    },
  });
  switch (event.what) {
    case 'honey':
      return [
        {
          kind: 'honey',
          payload: {
            name: 'linden',
            massG: n('massG'),
            moisture: 0.172,
            unfermentable: 0.032,
            ...(event.heated === true ? { heated: true } : {}),
          },
        },
      ];
    case 'water':
      return [{ kind: 'water', payload: { volumeL: n('volumeL') } }];
    case 'fruit':
    case 'juice':
    case 'malt':
    case 'sugar':
      return [ingredient(FAMILY[event.what], n('sugar'), n('unfermentable') || 0, (event.insoluble as number | undefined) ?? 0)];
    case 'erythritol':
      return [ingredient('sweetener', 0, 1)];
    case 'pitch':
    case 'yeast': {
      const toleranceAbv = (event.toleranceAbv as number | undefined) ?? yeast.toleranceAbv;
      const [low, high] = [(event.lowC as number | undefined) ?? yeast.lowC, (event.highC as number | undefined) ?? yeast.highC];
      const own = { toleranceAbv: { value: toleranceAbv, low: toleranceAbv - 1, high: toleranceAbv + 1 }, tempC: { low, high } };
      return [{ kind: 'yeast', payload: { yeastId: 'allround', name: 'its yeast', massG: n('massG') || 1, own } }];
    }
    case 'reading':
      return [{ kind: 'reading', payload: { sg: n('sg'), tempC: n('tempC'), calibrationC: 20 } }];
    case 'ph':
      return [{ kind: 'reading', payload: { ph: n('ph') } }];
    case 'strip':
      return [{ kind: 'reading', payload: { ph: n('ph'), phStrip: true } }];
    case 'freeSo2':
      return [{ kind: 'reading', payload: { freeSo2MgPerL: n('mgPerL') } }];
    case 'sulfite':
      return [{ kind: 'sulfite', payload: { salt: 'potassium', massG: n('massG') } }];
    case 'sorbate':
      return [{ kind: 'sorbate', payload: { massG: n('massG') } }];
    case 'carbonate':
      return [{ kind: 'base', payload: { salt: 'carbonate', massG: n('massG') } }];
    case 'heat':
      return [{ kind: 'heat', payload: { tempC: n('coreC'), minutes: n('minutes') } }];
    case 'rack':
      return [{ kind: 'rack', payload: { volumeL: n('volumeL') } }];
    case 'move':
      return [{ kind: 'reading', payload: { tempC: n('toC') } }];
    case 'sign':
      return [{ kind: 'note', payload: { text: 'seen', mark: event.of as 'film' } }];
    case 'tongue':
      return [{ kind: 'tongue', payload: { prickle: event.prickle as 'some' } }];
    case 'staysHere':
      return [{ kind: 'staysHere', payload: {} }];
    case 'found':
      return [
        {
          kind: 'found',
          payload: {
            volumeL: n('volumeL'),
            volumeSpread: 0.05,
            sg: n('sg'),
            abv: n('abv'),
            abvSpread: 1.5,
            ageDays: n('ageDays'),
            yeastId: 'allround',
          },
        },
      ];
    case 'fining':
      return [{ kind: 'fining', payload: { fining: 'bentonite', name: 'bentonite', massG: 2 } }];
    case 'degas':
      return [{ kind: 'note', payload: { text: 'degassed', mark: 'degassed' } }];
    case 'note':
      return [{ kind: 'note', payload: { text: 'as it is' } }];
    default:
      throw new Error(`no event “${event.what}”`);
  }
}

const HOURS = 24;

/** A case's record up to its question. @param more after it, in days of the case */
export function recordOf(
  { events, yeast }: Pick<GlassCase, 'events' | 'yeast'>,
  more: [day: number, content: EventContent][] = [],
): BatchEvent[] {
  let rows: [number, EventContent][] = [];
  const folded = (): Ledger => fold(eventsAt(PITCHED, rows));
  for (const event of events) {
    const hour = HOURS * event.day;
    if (event.what === 'split') {
      const ledger = folded();
      const outL = event.outL as number;
      const parcel = parcelOf(ledger, outL);
      rows =
        event.follow === 'jug'
          ? [[hour, { kind: 'transferIn', payload: { fromBatchId: 'whole', fromName: 'the whole', volumeL: outL, parcel } }]]
          : [...rows, [hour, { kind: 'transferOut', payload: { toBatchId: 'jug', toName: 'the jug', volumeL: outL } }]];
    } else if (event.what === 'blend') {
      const other = event.of as GlassCase;
      const ledger = fold(recordOf({ events: other.events, yeast: other.yeast }));
      const volumeL = event.volumeL as number;
      const parcel = parcelOf(ledger, Math.min(volumeL, mixedOf(ledger)?.volumeL ?? 0));
      rows = [...rows, [hour, { kind: 'transferIn', payload: { fromBatchId: 'other', fromName: 'the other', volumeL, parcel } }]];
    } else rows = [...rows, ...contentOf(event, yeast).map((content): [number, EventContent] => [hour, content])];
  }
  return eventsAt(PITCHED, [...rows, ...more.map(([day, content]): [number, EventContent] => [HOURS * day, content])]);
}

const ALLROUND: CaseYeast = { toleranceAbv: 14, lowC: 15, highC: 25 };

/** A dry traditional must of 5 L, pitched on day 0, then what is given: readings at 20 °C as day and SG, or events. */
export function dryMust(...rows: (CaseEvent | readonly [day: number, sg: number])[]): Pick<GlassCase, 'events' | 'yeast'> {
  const events = rows.map((row) => ('what' in row ? row : { day: row[0], what: 'reading', sg: row[1], tempC: 20 }));
  return {
    yeast: ALLROUND,
    events: [
      { day: -0.1, what: 'honey', massG: 1300 },
      { day: -0.08, what: 'water', volumeL: 4 },
      { day: 0, what: 'pitch', massG: 4 },
      ...events.toSorted((a, b) => a.day - b.day),
    ],
  };
}

/** A case's plan as the judgement takes it; null for still glass. */
export function planOf({ kind, bottle, prime }: GlassCase['ask']): GlassPlan | null {
  if (kind === 'still') return null;
  const row: BottleRow = {
    count: bottle?.count ?? 1,
    sizeMl: bottle?.sizeMl ?? 19_000,
    kind: bottle?.kind ?? 'keg',
    closure: bottle?.closure,
  };
  const { what, fermentable, massG = 0, volumeL = 1, warmestC = 20 } = prime ?? {};
  return {
    bottles: [{ ...row, ratedVolumes: bottle?.ratedVolumes }],
    primings: what === undefined ? [] : [{ what, fermentable, gPerL: massG / volumeL }],
    each: null,
    warmestC,
    measured: prime === undefined ? null : { volumeL, again: false },
  };
}

/** The judgement of a case's record on a day. */
export const judgedOn = (of: Pick<GlassCase, 'events' | 'yeast'>, day: number, plan: GlassPlan | null = null): Judgement =>
  judge(fold(recordOf(of)), momentOfDay(day), plan);
