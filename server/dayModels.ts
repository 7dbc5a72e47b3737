/** The models of packs and days. */
import type { Day } from '#core/days/day';
import type { PackEntry, ShelfPack } from '#core/packs/shelfPack';
import { DataTypes, type CreationOptional, type InitOptions } from 'sequelize';
import { counted, key, Record, required } from './columns';

export class PackModel extends Record<PackModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare documentKey: string;
  declare document: ShelfPack;
  /** In small letters; the database makes it of the document. */
  declare label: CreationOptional<string>;
}

export class PackEntryModel extends Record<PackEntryModel> {
  declare id: CreationOptional<string>;
  declare packId: string;
  declare documentKey: string;
  declare document: PackEntry;
  /** As of a calibration. */
  declare keptOrder: CreationOptional<number | string>;
}

export class DayModel extends Record<DayModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare documentKey: string;
  declare document: Day;
  declare revision: CreationOptional<number>;
  /** The date on which it begins; the database makes it of the document. */
  declare day: CreationOptional<string>;
}

const { UUID, TEXT, INTEGER, JSONB } = DataTypes;

/** @param options of all models */
export function defineDayModels(options: InitOptions): void {
  PackModel.init(
    {
      id: key(),
      garageId: required(UUID),
      documentKey: required(TEXT),
      document: required(JSONB),
      label: TEXT,
    },
    { ...options, modelName: 'pack', tableName: 'packs' },
  );
  PackEntryModel.init(
    {
      id: key(),
      packId: required(UUID),
      documentKey: required(TEXT),
      document: required(JSONB),
      keptOrder: counted('kept_on_bench'),
    },
    { ...options, modelName: 'packEntry', tableName: 'pack_entries' },
  );
  DayModel.init(
    {
      id: key(),
      garageId: required(UUID),
      documentKey: required(TEXT),
      document: required(JSONB),
      revision: { type: INTEGER, defaultValue: 0 },
      day: TEXT,
    },
    { ...options, modelName: 'day', tableName: 'days' },
  );
}
