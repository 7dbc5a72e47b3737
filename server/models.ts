/** Sequelize models. They stay inside `server/`: what leaves the repositories is a plain record. */
import type { Goals } from '#core/advice/goals';
import type { EscProfile } from '#core/esc/profile';
import type { EscMemory } from '#core/procedure/language';
import type { EventRules } from '#core/rig/eventRules';
import type { Rig } from '#core/rig/rig';
import type { BenchTest } from '#core/calibration/benchTest';
import type { Calibration } from '#core/calibration/calibration';
import type { Draft } from '#core/sheet/draft';
import type { EvidenceBasis } from '#core/sheet/evidence';
import type { AlikeGroup } from '#core/setUps/alike';
import type { Asked } from '#core/runs/asked';
import type { LogMeta } from '#core/runs/log/meta';
import type { Run } from '#core/runs/run';
import type { SetUp } from '#core/setUps/setUp';
import type { Sheet } from '#core/sheet/sheet';
import { DataTypes, type CreationOptional, type Sequelize } from 'sequelize';
import { counted, key, moment, Record, required } from './columns';
import { database } from './database';
import { defineDayModels } from './dayModels';
import { defineAccessModels } from './accessModels';
import { defineOpenLoadModel } from './openLoadModel';
import { definePracticeModels } from './practiceModels';
import type { KeptStanding } from './keptStanding';

export class GarageModel extends Record<GarageModel> {
  declare id: CreationOptional<string>;
  declare name: string;
  declare demoLoadedAt: CreationOptional<Date | null>;
  /** Argon2id; null until the owner has chosen a password. */
  declare ownerPassword: CreationOptional<string | null>;
}

export class EscProfileModel extends Record<EscProfileModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare profileKey: string;
  declare revision: number;
  declare name: string;
  declare document: EscProfile;
}

export class RigModel extends Record<RigModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare escProfileId: string;
  declare name: string;
  declare document: Rig;
  /** Counts the changes of the document. */
  declare revision: CreationOptional<number>;
  declare eventRulesId: CreationOptional<string | null>;
  declare goals: CreationOptional<Partial<Goals> | null>;
  declare linkPassCode: CreationOptional<number | null>;
  declare archivedAt: CreationOptional<Date | null>;
  declare deletedAt: CreationOptional<Date | null>;
  /** Counts all changes of all rigs: the higher, the later. PostgreSQL hands out bigint as text. */
  declare touched: CreationOptional<number | string>;
  /** Counts what was written of all that its standing follows from; the database does. */
  declare facts: CreationOptional<number | string>;
  declare standing: CreationOptional<KeptStanding | null>;
  /** The count of facts, and the day, that the standing was worked out from. */
  declare standingFacts: CreationOptional<number | string | null>;
  declare standingDay: CreationOptional<string | null>;
  /** By which build of this server it was. */
  declare standingBuild: CreationOptional<string | null>;
  declare updatedAt: CreationOptional<Date>;
}

export class EventRulesModel extends Record<EventRulesModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare name: string;
  declare document: EventRules;
}

export class RigPictureModel extends Record<RigPictureModel> {
  declare rigId: string;
  declare image: Buffer;
  declare keptAt: CreationOptional<Date>;
}

export class DraftModel extends Record<DraftModel> {
  declare rigId: string;
  declare revision: number;
  declare document: Draft;
  declare updatedAt: CreationOptional<Date>;
}

export class SimulatedEscModel extends Record<SimulatedEscModel> {
  declare rigId: string;
  /** 1 upward. */
  declare escNumber: number;
  declare memory: EscMemory;
  /** Counts every change of the memory; PostgreSQL hands out bigint as text. */
  declare writes: CreationOptional<number | string>;
  declare updatedAt: CreationOptional<Date>;
}

export class ObservationModel extends Record<ObservationModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  /** 1 upward. */
  declare escNumber: number;
  declare itemKey: string;
  declare stopKey: string | null;
  declare basis: EvidenceBasis;
  declare observedAt: CreationOptional<Date>;
}

export class CalibrationModel extends Record<CalibrationModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  declare document: Calibration;
  declare keptAt: Date;
  /** Counts what is kept on benches: the higher, the later. */
  declare keptOrder: CreationOptional<number | string>;
}

export class BenchTestModel extends Record<BenchTestModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  declare document: BenchTest;
  declare keptAt: CreationOptional<Date>;
  /** As of a calibration. */
  declare keptOrder: CreationOptional<number | string>;
}

export class BuildCheckModel extends Record<BuildCheckModel> {
  declare rigId: string;
  declare line: string;
  declare checkedAt: CreationOptional<Date>;
}

export class AlikeModel extends Record<AlikeModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare document: AlikeGroup;
}

export class SheetModel extends Record<SheetModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  declare documentKey: string;
  declare number: number;
  declare origin: SheetOrigin;
  declare document: Sheet;
  declare keptAt: Date;
  /** The last observation that there was when it was kept; PostgreSQL hands out bigint as text. */
  declare observedUpTo: number | string;
}

export class SetUpModel extends Record<SetUpModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  declare documentKey: string;
  declare document: SetUp;
  declare archivedAt: CreationOptional<Date | null>;
  /** As of a calibration. */
  declare keptOrder: CreationOptional<number | string>;
}

export class RunModel extends Record<RunModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  declare documentKey: string;
  /** On its rig, 1 upward. */
  declare number: number;
  declare document: Run;
  declare drivenAt: Date;
}

export class RunLogModel extends Record<RunLogModel> {
  declare rigId: string;
  /** Of the run. */
  declare number: number;
  declare document: LogMeta;
  declare samples: Buffer;
  declare keptAt: CreationOptional<Date>;
}

export class AskedModel extends Record<AskedModel> {
  declare id: CreationOptional<string>;
  declare rigId: string;
  declare documentKey: string;
  declare document: Asked;
  /** When it was laid aside. */
  declare closedAt: CreationOptional<Date | null>;
  /** As of a calibration. */
  declare keptOrder: CreationOptional<number | string>;
}

/** Kept at the end of a load, taken from a file, or read from the ESC before a load by link. */
export type SheetOrigin = 'loaded' | 'imported' | 'backup';

const { UUID, TEXT, INTEGER, SMALLINT, JSONB, DATE, DATEONLY, BIGINT, BLOB } = DataTypes;

let readyFor: Sequelize | undefined;

/** Ties the models to the connection, before anything is read or written through it. */
export function defineModels(): void {
  const sequelize = database();
  if (readyFor === sequelize) return;
  readyFor = sequelize;
  const options = { sequelize, underscored: true, timestamps: false };
  GarageModel.init(
    { id: key(), name: required(TEXT), demoLoadedAt: DATE, ownerPassword: TEXT },
    { ...options, modelName: 'garage', tableName: 'garages' },
  );
  EscProfileModel.init(
    {
      id: key(),
      garageId: required(UUID),
      profileKey: required(TEXT),
      revision: required(INTEGER),
      name: required(TEXT),
      document: required(JSONB),
    },
    { ...options, modelName: 'escProfile', tableName: 'esc_profiles' },
  );
  RigModel.init(
    {
      id: key(),
      garageId: required(UUID),
      escProfileId: required(UUID),
      name: required(TEXT),
      document: required(JSONB),
      revision: { type: INTEGER, allowNull: false, defaultValue: 0 },
      eventRulesId: UUID,
      goals: JSONB,
      linkPassCode: INTEGER,
      archivedAt: DATE,
      deletedAt: DATE,
      touched: counted('rig_touches'),
      facts: counted('rig_facts'),
      standing: JSONB,
      standingFacts: BIGINT,
      standingDay: DATEONLY,
      standingBuild: TEXT,
      updatedAt: moment(),
    },
    { ...options, modelName: 'rig', tableName: 'rigs' },
  );
  EventRulesModel.init(
    { id: key(), garageId: required(UUID), name: required(TEXT), document: required(JSONB) },
    { ...options, modelName: 'eventRules', tableName: 'event_rules' },
  );
  RigPictureModel.init(
    { rigId: { type: UUID, primaryKey: true }, image: required(BLOB), keptAt: moment() },
    { ...options, modelName: 'rigPicture', tableName: 'rig_pictures' },
  );
  DraftModel.init(
    {
      rigId: { type: UUID, primaryKey: true },
      revision: required(INTEGER),
      document: required(JSONB),
      updatedAt: moment(),
    },
    { ...options, modelName: 'draft', tableName: 'drafts' },
  );
  SimulatedEscModel.init(
    {
      rigId: { type: UUID, primaryKey: true },
      escNumber: { type: SMALLINT, primaryKey: true },
      memory: required(JSONB),
      writes: { ...required(BIGINT), defaultValue: 0 },
      updatedAt: moment(),
    },
    { ...options, modelName: 'simulatedEsc', tableName: 'simulated_escs' },
  );
  ObservationModel.init(
    {
      id: { type: BIGINT, primaryKey: true, autoIncrement: true },
      rigId: required(UUID),
      escNumber: required(SMALLINT),
      itemKey: required(TEXT),
      stopKey: TEXT,
      basis: required(TEXT),
      observedAt: moment(),
    },
    { ...options, modelName: 'observation', tableName: 'observations' },
  );
  CalibrationModel.init(
    {
      id: key(),
      rigId: required(UUID),
      document: required(JSONB),
      keptAt: required(DATE),
      keptOrder: counted('kept_on_bench'),
    },
    { ...options, modelName: 'calibration', tableName: 'calibrations' },
  );
  BenchTestModel.init(
    {
      id: key(),
      rigId: required(UUID),
      document: required(JSONB),
      keptAt: moment(),
      keptOrder: counted('kept_on_bench'),
    },
    { ...options, modelName: 'benchTest', tableName: 'bench_tests' },
  );
  BuildCheckModel.init(
    {
      rigId: { type: UUID, primaryKey: true },
      line: { type: TEXT, primaryKey: true },
      checkedAt: moment(),
    },
    { ...options, modelName: 'buildCheck', tableName: 'build_checks' },
  );
  SheetModel.init(
    {
      id: key(),
      rigId: required(UUID),
      documentKey: required(TEXT),
      number: required(INTEGER),
      origin: required(TEXT),
      document: required(JSONB),
      keptAt: required(DATE),
      observedUpTo: required(BIGINT),
    },
    { ...options, modelName: 'sheet', tableName: 'sheets' },
  );
  AlikeModel.init(
    { id: key(), garageId: required(UUID), document: required(JSONB) },
    { ...options, modelName: 'alike', tableName: 'alike_groups' },
  );
  defineDayModels(options);
  definePracticeModels(options);
  defineAccessModels(options);
  defineOpenLoadModel(options);
  SetUpModel.init(
    {
      id: key(),
      rigId: required(UUID),
      documentKey: required(TEXT),
      document: required(JSONB),
      archivedAt: DATE,
      keptOrder: counted('kept_on_bench'),
    },
    { ...options, modelName: 'setUp', tableName: 'set_ups' },
  );
  RunModel.init(
    {
      id: key(),
      rigId: required(UUID),
      documentKey: required(TEXT),
      number: required(INTEGER),
      document: required(JSONB),
      drivenAt: required(DATE),
    },
    { ...options, modelName: 'run', tableName: 'runs' },
  );
  RunLogModel.init(
    {
      rigId: { type: UUID, primaryKey: true },
      number: { type: INTEGER, primaryKey: true },
      document: required(JSONB),
      samples: required(BLOB),
      keptAt: moment(),
    },
    { ...options, modelName: 'runLog', tableName: 'run_logs' },
  );
  AskedModel.init(
    {
      id: key(),
      rigId: required(UUID),
      documentKey: required(TEXT),
      document: required(JSONB),
      closedAt: DATE,
      keptOrder: counted('kept_on_bench'),
    },
    { ...options, modelName: 'asked', tableName: 'asked_of_runs' },
  );
}
