/** The model of loads that are under way. */
import type { LoadBeginning, LoadWord } from '#core/plan/ownLoad';
import { DataTypes, type CreationOptional, type InitOptions } from 'sequelize';
import { Record, required } from './columns';

/** A word with an id of its own, so that one that is sent twice counts once, and who said it. */
export interface SaidWord {
  id: string;
  by: string;
  word: LoadWord;
}

export class OpenLoadModel extends Record<OpenLoadModel> {
  declare rigId: string;
  declare escNumber: number;
  declare id: string;
  declare beginning: LoadBeginning;
  declare words: CreationOptional<SaidWord[]>;
  /** Who works it now; null for the bench itself. */
  declare doerId: string | null;
  declare doerName: string;
}

const { UUID, TEXT, INTEGER, JSONB } = DataTypes;

/** @param options of all models */
export function defineOpenLoadModel(options: InitOptions): void {
  OpenLoadModel.init(
    {
      rigId: { type: UUID, primaryKey: true },
      escNumber: { type: INTEGER, primaryKey: true },
      id: required(UUID),
      beginning: required(JSONB),
      words: { type: JSONB, allowNull: false, defaultValue: [] },
      doerId: UUID,
      doerName: required(TEXT),
    },
    { ...options, modelName: 'openLoad', tableName: 'open_loads' },
  );
}
