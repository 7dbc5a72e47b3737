/** The models of rehearsals. */
import type { SignsLearned } from '#core/rehearsal/recognise';
import type { PracticeResult } from '#core/rehearsal/results';
import { DataTypes, type CreationOptional, type InitOptions } from 'sequelize';
import { counted, key, Record, required } from './columns';

export class PracticeModel extends Record<PracticeModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare profileKey: string;
  declare documentKey: string;
  declare document: PracticeResult;
  /** As of a calibration. */
  declare keptOrder: CreationOptional<number | string>;
}

export class SignsModel extends Record<SignsModel> {
  declare id: CreationOptional<string>;
  declare garageId: string;
  declare profileKey: string;
  declare document: SignsLearned;
}

const { UUID, TEXT, JSONB } = DataTypes;

/** @param options of all models */
export function definePracticeModels(options: InitOptions): void {
  PracticeModel.init(
    {
      id: key(),
      garageId: required(UUID),
      profileKey: required(TEXT),
      documentKey: required(TEXT),
      document: required(JSONB),
      keptOrder: counted('kept_on_bench'),
    },
    { ...options, modelName: 'practice', tableName: 'practice_results' },
  );
  SignsModel.init(
    { id: key(), garageId: required(UUID), profileKey: required(TEXT), document: required(JSONB) },
    { ...options, modelName: 'signs', tableName: 'signs_learned' },
  );
}
