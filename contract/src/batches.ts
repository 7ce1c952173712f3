import type { Sent } from '@hollow-bell/core/float';
import { laterPoursOf } from '@hollow-bell/core/must';
import { DAP_CAP_G_PER_L } from '@hollow-bell/core/nitrogen';
import type { FeedingPractice } from '@hollow-bell/core/feed';
import { STAGES, compositionShape, familyShape, styleMarkShape, traitsShape } from '@hollow-bell/core/ingredients';
import {
  choice,
  flag,
  id,
  list,
  maybe,
  moment,
  nameShape,
  number,
  orNull,
  own,
  record,
  text,
  textOrNone,
  tuple,
  whole,
} from '@hollow-bell/core/quantities';
import type { Fit, Sentence } from '@hollow-bell/core/quantities';
import type { BatchEvent, Ledger } from '@hollow-bell/core/record';
import { vesselShape } from '@hollow-bell/core/vessel';
import type { ShownPhase } from '@hollow-bell/core/watch';
import { ownYeastShape, yeastIdShape } from '@hollow-bell/core/yeast';
import { practiceShape } from './practice.ts';

const held = maybe(number(0, 200_000));

const plannedIngredientShape = record({
  id: text(80),
  name: nameShape,
  family: familyShape,
  makes: styleMarkShape,
  composition: compositionShape,
  sugarSpread: number(0, 1),
  traits: maybe(traitsShape),
  massG: number(0, 200_000),
  stage: choice(...STAGES),
  lock: choice('free', 'mass', 'perLiter'),
  gPerL: maybe(number(0, 2000)),
  form: maybe(choice('fresh', 'frozen', 'purée')),
  preserved: maybe(flag),
  bagDays: maybe(whole(1, 120)),
  pricePerKg: maybe(number(0, 100_000)),
  lotId: maybe(id),
});

export const mustPlanShape = record({
  ingredients: list(plannedIngredientShape, 1, 40, {
    whenFew: 'A must needs an ingredient.',
    whenMany: 'A must has at most 40 ingredients.',
  }),
  waterL: number(0, 2000),
  yeastId: yeastIdShape,
  own: maybe(ownYeastShape),
  yeastLotId: maybe(id),
  vessel: vesselShape,
  roomTempC: number(0, 45),
  losses: record({ leesShare: number(0, 0.5), samplesL: number(0, 50) }),
  otherCost: number(0, 1_000_000),
  wanted: record({
    volumeL: held,
    rackedL: held,
    og: held,
    abv: held,
    sweetnessGPerL: held,
    honeyG: held,
    waterL: held,
    cost: held,
  }),
  heldBack: maybe(record({ waterL: number(0, 2000), days: whole(1, 60) })),
  ratioFree: maybe(flag),
});

/** What the maker means to do with a batch, and by which schools. Kept in versions. */
export const batchPlanShape = record({
  must: mustPlanShape,
  practice: practiceShape,
  /** What it was made again from. */
  madeFrom: maybe(record({ recipeId: maybe(id), batchId: maybe(id) })),
});
export type BatchPlan = Fit<typeof batchPlanShape>;

/** The feeding school of a batch, with its cap. */
export function feedingPracticeOf({ practice, must }: Pick<BatchPlan, 'practice'> & Partial<Pick<BatchPlan, 'must'>>): FeedingPractice {
  const { dapShare, region, ...same } = practice;
  const { school, ownHours, setDoses, organicCredit, organic, ammonium, scaleG } = same;
  return {
    school,
    ownHours,
    setDoses,
    organicCredit,
    ammoniumShare: dapShare,
    dapCapGPerL: DAP_CAP_G_PER_L[region],
    organic,
    ammonium,
    scaleG,
    ...(must === undefined ? {} : { expects: { roomTempC: must.roomTempC, pours: laterPoursOf(must) } }),
  };
}

const batchName = text(80, { whenMissing: 'A batch needs a name.', whenLong: 'A name has at most 80 letters.' });
const seq = whole(0, 1_000_000);

export const createBatchShape = record({ id, name: batchName, plan: batchPlanShape });
/** Put away, or deleted with a day's grace. */
const FATES = ['kept', 'archived', 'deleted'] as const;
export type Fate = (typeof FATES)[number];
export const fateShape = record({ fate: choice(...FATES) });
export const DELETED_FOR_MS = 24 * 3_600_000;
export const renameBatchShape = record({ name: batchName });
export const replanShape = record({ afterVersion: seq, plan: batchPlanShape });
/** Part of a batch siphoned into vessels of their own; each child inherits the ledger. Ids come from the client, so repeating is harmless. */
export const splitShape = record({
  afterSeq: seq,
  happenedAt: moment,
  children: list(
    record({
      id,
      name: batchName,
      volumeL: number(0.05, 2000),
      vessel: vesselShape,
      /** One of the batch's own vessels, which goes its own way with what is in it. */
      asItStands: maybe(flag),
    }),
    1,
    12,
  ),
});
export type Split = Fit<typeof splitShape>;

/** A split taken back while nothing stands on it. */
export const rejoinShape = record({ childId: id });

/** Liquid of another batch poured into this one. `transferId` comes from the client, so repeating is harmless. */
export const blendShape = record({ afterSeq: seq, happenedAt: moment, fromId: id, volumeL: number(0.01, 2000), transferId: id });
export type Blend = Fit<typeof blendShape>;

/** A reading that was written into the wrong batch goes to the right one. */
export const moveShape = record({ afterSeq: seq, eventId: id, toId: id });
export type Move = Fit<typeof moveShape>;

/** A number that was reckoned: any that is one. */
export const figure = number(-1e15, 1e15, [0, 2]);

/** A recorded event is core's type; on the wire it is taken as it is. */
export const storedEvent = own<BatchEvent>('a recorded event');
/** A folded state is core's type; on the wire it is taken as it is. */
const ledger = own<Ledger>('the folded state');

const summaryFields = {
  id,
  name: text(80),
  createdAt: figure,
  lastSeq: seq,
  planVersion: seq,
  /** Written by whatever program; limits of today do not shut it out. */
  plan: own<BatchPlan>('a plan'),
} as const;
/** What a float in the batch sent, oldest first: ms since 1970 UTC, SG, °C; a probe: ms, °C of the core, °C of the bath. */
const floatPoint = tuple(figure, figure, orNull(figure));
const recordFields = {
  ...summaryFields,
  events: list(storedEvent, 0, 1_000_000),
  float: list(floatPoint, 0, 10_000_000),
  probe: list(floatPoint, 0, 10_000_000),
} as const;

/** A batch for those who fold its record themselves. */
export const batchRecordShape = record(recordFields);
export type BatchRecord = Fit<typeof batchRecordShape>;
export const batchShape = record({ ...recordFields, ledger });
export type Batch = Fit<typeof batchShape>;
export type BatchSummary = Omit<Batch, 'events' | 'float' | 'probe'>;
/** What instruments sent, as the fold takes it. */
export const sentOf = ({ float, probe }: Pick<BatchRecord, 'float' | 'probe'>): Sent => ({
  float: float.map(([at, sg, tempC]) => ({ at, sg, tempC })),
  probe: probe.map(([at, coreC, bathC]) => ({ at, coreC, bathC })),
});

export const phaseShape = own<ShownPhase>('a phase');
/** A batch as a line in the book. Gravity and volume are null where the vessel is empty. */
const listedShape = record({
  id,
  name: text(80),
  lastSeq: seq,
  phase: phaseShape,
  pitchedAt: orNull(figure),
  sg: orNull(figure),
  volumeL: orNull(figure),
  /** When it is gone for good, where it was deleted. */
  goneAt: orNull(figure),
});
export type Listed = Fit<typeof listedShape>;
/** Nothing mixed yet; mead in its vessels; ever filled into bottles. */
const BATCH_STATES = ['planned', 'standing', 'bottled'] as const;
export type BatchState = (typeof BATCH_STATES)[number];
/**
 * Which page of the book: what has this in its name, in a honey or fruit that is planned or was poured, or in its yeast; what was
 * pitched, or else begun, from one moment until before another; and what began before the batch of that id.
 */
export const listQueryShape = record({
  find: maybe(textOrNone(80)),
  state: maybe(choice(...BATCH_STATES)),
  begunFrom: maybe(moment),
  begunBefore: maybe(moment),
  olderThan: maybe(id),
  fate: maybe(choice(...FATES)),
});
export type ListQuery = Fit<typeof listQueryShape>;
/** Newest first. `firstAt` is when the oldest of the whole book was begun. */
export const batchListShape = record({ batches: list(listedShape, 0, 1000), hasOlder: flag, firstAt: orNull(figure) });
export type BatchList = Fit<typeof batchListShape>;

export const errorShape = record({
  code: choice(
    'bad_input',
    'not_found',
    'stale',
    'id_taken',
    'database_away',
    'busy',
    'disk_full',
    'too_many',
    'not_allowed',
    'signed_out',
    'internal',
  ),
  /** A sentence for a person. */
  message: text(10_000),
  /** The same with its quantities in SI, for whoever shows other units. */
  said: maybe(own<Sentence>('a sentence in parts')),
  /** Where the input is wrong, as a path. */
  field: maybe(text(1000)),
  /** Everything that is wrong with what was sent, each with its path. */
  faults: maybe(list(record({ field: textOrNone(1000), says: text(1000) }), 1, 100)),
  /** With `stale`: what others wrote since. */
  since: maybe(list(storedEvent, 0, 1_000_000)),
  requestId: text(200),
});
export type ApiError = Fit<typeof errorShape>;
