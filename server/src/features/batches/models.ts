import type { BatchPlan } from '@hollow-bell/contract';
import type { BatchEvent, Ledger } from '@hollow-bell/core/record';
import { DataTypes, Model } from 'sequelize';
import type { Sequelize } from 'sequelize';

export class BatchRow extends Model {
  declare id: string;
  declare name: string;
  declare createdAt: Date;
  declare lastSeq: number;
  declare planVersion: number;
  declare ledger: Ledger;
  declare open: boolean;
}

export class PlanRow extends Model {
  declare batchId: string;
  declare version: number;
  declare plan: BatchPlan;
  declare writtenAt: Date;
}

export class EventRow extends Model {
  declare id: string;
  declare batchId: string;
  declare seq: number;
  declare kind: BatchEvent['kind'];
  declare happenedAt: Date;
  declare enteredAt: Date;
  declare payload: BatchEvent['payload'];
  declare amends: string | null;
}

/** Every reading that a float sent, as it came; one in a slot of some minutes. */
export class FloatRow extends Model {
  declare batchId: string;
  declare deviceId: string;
  /** The driver gives big integers as text. */
  declare slot: string;
  declare takenMs: string;
  declare sg: number;
  declare tempC: number | null;
}

export function initModels(sequelize: Sequelize): void {
  const shared = { sequelize, underscored: true, timestamps: false } as const;
  const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
  BatchRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: required(DataTypes.TEXT),
      createdAt: required(DataTypes.DATE),
      lastSeq: required(DataTypes.INTEGER),
      planVersion: required(DataTypes.INTEGER),
      ledger: required(DataTypes.JSONB),
      open: required(DataTypes.BOOLEAN),
    },
    { ...shared, tableName: 'batches' },
  );
  PlanRow.init(
    {
      batchId: { type: DataTypes.UUID, primaryKey: true },
      version: { type: DataTypes.INTEGER, primaryKey: true },
      plan: required(DataTypes.JSONB),
      writtenAt: required(DataTypes.DATE),
    },
    { ...shared, tableName: 'batch_plans' },
  );
  EventRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      batchId: required(DataTypes.UUID),
      seq: required(DataTypes.INTEGER),
      kind: required(DataTypes.TEXT),
      happenedAt: required(DataTypes.DATE),
      enteredAt: required(DataTypes.DATE),
      payload: required(DataTypes.JSONB),
      amends: { type: DataTypes.UUID },
    },
    { ...shared, tableName: 'batch_events' },
  );
  FloatRow.init(
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
}
