import type { BatchPlan, Fate } from '@hollow-bell/contract';
import type { BatchEvent, Ledger } from '@hollow-bell/core/record';
import { DataTypes } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';

export interface BatchRow extends Model {
  id: string;
  name: string;
  createdAt: Date;
  lastSeq: number;
  planVersion: number;
  ledger: Ledger;
  open: boolean;
  /** Ever; and whether anything of that is still to be drunk or said. */
  bottled: boolean;
  cellared: boolean;
  /** Rejoined only while a split is taken back, in one transaction. */
  fate: Fate | 'rejoined';
  fatedAt: Date | null;
}

export interface PlanRow extends Model {
  batchId: string;
  version: number;
  plan: BatchPlan;
  writtenAt: Date;
}

export interface EventRow extends Model {
  id: string;
  batchId: string;
  seq: number;
  kind: BatchEvent['kind'];
  happenedAt: Date;
  enteredAt: Date;
  payload: BatchEvent['payload'];
  version: number;
  amends: string | null;
}

/** Every reading that a float sent, as it came; one in a slot of some minutes. */
export interface FloatRow extends Model {
  batchId: string;
  deviceId: string;
  /** The driver gives big integers as text. */
  slot: string;
  takenMs: string;
  sg: number;
  tempC: number | null;
}

/** Every reading that a probe sent while a mead was heated; one a minute. */
export interface ProbeRow extends Model {
  batchId: string;
  deviceId: string;
  slot: string;
  takenMs: string;
  coreC: number;
  bathC: number | null;
}

/** The tables of a cellar's batches, for one connection of its own. */
export function batchTables(sequelize: Sequelize) {
  const shared = { underscored: true, timestamps: false } as const;
  const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
  const batches = sequelize.define<BatchRow>(
    'batches',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: required(DataTypes.TEXT),
      createdAt: required(DataTypes.DATE),
      lastSeq: required(DataTypes.INTEGER),
      planVersion: required(DataTypes.INTEGER),
      ledger: required(DataTypes.JSONB),
      open: required(DataTypes.BOOLEAN),
      bottled: { ...required(DataTypes.BOOLEAN), defaultValue: false },
      cellared: { ...required(DataTypes.BOOLEAN), defaultValue: false },
      fate: { ...required(DataTypes.TEXT), defaultValue: 'kept' },
      fatedAt: { type: DataTypes.DATE },
    },
    { ...shared, tableName: 'batches' },
  );
  const plans = sequelize.define<PlanRow>(
    'plans',
    {
      batchId: { type: DataTypes.UUID, primaryKey: true },
      version: { type: DataTypes.INTEGER, primaryKey: true },
      plan: required(DataTypes.JSONB),
      writtenAt: required(DataTypes.DATE),
    },
    { ...shared, tableName: 'batch_plans' },
  );
  const events = sequelize.define<EventRow>(
    'events',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      batchId: required(DataTypes.UUID),
      seq: required(DataTypes.INTEGER),
      kind: required(DataTypes.TEXT),
      happenedAt: required(DataTypes.DATE),
      enteredAt: required(DataTypes.DATE),
      payload: required(DataTypes.JSONB),
      version: required(DataTypes.SMALLINT),
      amends: { type: DataTypes.UUID },
    },
    { ...shared, tableName: 'batch_events' },
  );
  const floats = sequelize.define<FloatRow>(
    'floats',
    {
      batchId: { type: DataTypes.UUID, primaryKey: true },
      deviceId: { type: DataTypes.UUID, primaryKey: true },
      slot: { type: DataTypes.BIGINT, primaryKey: true },
      takenMs: required(DataTypes.BIGINT),
      sg: required(DataTypes.DOUBLE),
      tempC: { type: DataTypes.DOUBLE },
    },
    { ...shared, tableName: 'float_readings' },
  );
  const probes = sequelize.define<ProbeRow>(
    'probes',
    {
      batchId: { type: DataTypes.UUID, primaryKey: true },
      deviceId: { type: DataTypes.UUID, primaryKey: true },
      slot: { type: DataTypes.BIGINT, primaryKey: true },
      takenMs: required(DataTypes.BIGINT),
      coreC: required(DataTypes.DOUBLE),
      bathC: { type: DataTypes.DOUBLE },
    },
    { ...shared, tableName: 'probe_readings' },
  );
  return { batches, plans, events, floats, probes };
}

export type BatchTables = ReturnType<typeof batchTables>;
