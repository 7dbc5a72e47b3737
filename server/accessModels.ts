/** The models of who may do what. */
import { DataTypes, type CreationOptional, type InitOptions } from 'sequelize';
import type { Role } from './access/who';
import { key, moment, Record, required } from './columns';

export class DeviceModel extends Record<DeviceModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare name: string;
  declare role: Role;
  /** All that a visitor sees. */
  declare rigId: CreationOptional<string | null>;
  declare setUpKey: CreationOptional<string | null>;
  declare pairedAt: CreationOptional<Date>;
  declare seenAt: CreationOptional<Date>;
}

export class SessionModel extends Record<SessionModel> {
  declare id: CreationOptional<string>;
  declare deviceId: string;
  /** SHA-256 of the token that the device shows. */
  declare shown: Buffer;
  /** Of the token before: good until the device has shown the new one, and a moment longer. */
  declare shownBefore: CreationOptional<Buffer | null>;
  declare begunAt: CreationOptional<Date>;
  /** When it was given its token. */
  declare turnedAt: CreationOptional<Date>;
  /** When the device first showed it. */
  declare confirmedAt: CreationOptional<Date | null>;
  declare seenAt: CreationOptional<Date>;
}

export class DeedModel extends Record<DeedModel> {
  declare id: CreationOptional<number | string>;
  declare garageId: string;
  declare deviceName: string;
  declare role: Role;
  declare deed: string;
  declare rigId: string | null;
  declare times: CreationOptional<number>;
  declare firstAt: CreationOptional<Date>;
  declare lastAt: CreationOptional<Date>;
}

const { UUID, TEXT, INTEGER, BIGINT, BLOB, DATE } = DataTypes;

/** @param options of all models */
export function defineAccessModels(options: InitOptions): void {
  DeviceModel.init(
    {
      id: key(),
      garageId: required(UUID),
      name: required(TEXT),
      role: required(TEXT),
      rigId: UUID,
      setUpKey: TEXT,
      pairedAt: moment(),
      seenAt: moment(),
    },
    { ...options, modelName: 'device', tableName: 'devices' },
  );
  SessionModel.init(
    {
      id: key(),
      deviceId: required(UUID),
      shown: required(BLOB),
      shownBefore: BLOB,
      begunAt: moment(),
      turnedAt: moment(),
      confirmedAt: DATE,
      seenAt: moment(),
    },
    { ...options, modelName: 'session', tableName: 'sessions' },
  );
  DeedModel.init(
    {
      id: { type: BIGINT, primaryKey: true, autoIncrement: true },
      garageId: required(UUID),
      deviceName: required(TEXT),
      role: required(TEXT),
      deed: required(TEXT),
      rigId: UUID,
      times: { type: INTEGER, allowNull: false, defaultValue: 1 },
      firstAt: moment(),
      lastAt: moment(),
    },
    { ...options, modelName: 'deed', tableName: 'deeds' },
  );
}
