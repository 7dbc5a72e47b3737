/** What the columns of all models are made of. */
import { DataTypes, literal, Model, type InferAttributes, type InferCreationAttributes } from 'sequelize';

export class Record<M extends Model> extends Model<InferAttributes<M>, InferCreationAttributes<M>> {}

const { UUID, UUIDV4, DATE, NOW, BIGINT } = DataTypes;
// Made again for each column: Sequelize writes into the objects it is given.
export const key = () => ({ type: UUID, primaryKey: true, defaultValue: UUIDV4 });
export const required = <T>(type: T) => ({ type, allowNull: false });
export const moment = () => ({ type: DATE, allowNull: false, defaultValue: NOW });
export const counted = (sequence: string) => ({
  type: BIGINT,
  defaultValue: literal(`nextval('${sequence}')`),
});
