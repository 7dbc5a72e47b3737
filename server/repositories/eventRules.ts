import type { EventRules } from '#core/rig/eventRules';
import { EventRulesModel, RigModel } from '../models';
import { isUuid } from './ids';

export interface StoredRules {
  id: string;
  rules: EventRules;
}

const plain = ({ id, document }: EventRulesModel): StoredRules => ({ id, rules: document });

/** All rule sets of a garage, by name. */
export async function listRules(garageId: string): Promise<StoredRules[]> {
  const rows = await EventRulesModel.findAll({ where: { garageId }, order: [['name', 'ASC']] });
  return rows.map(plain);
}

/** Keeps a rule set: a new one, or in place of the one with this id. @returns false where the garage has none of it */
export async function keepRules(
  garageId: string,
  id: string | undefined,
  rules: EventRules,
): Promise<boolean> {
  if (id === undefined) {
    await EventRulesModel.create({ garageId, name: rules.name, document: rules });
    return true;
  }
  if (!isUuid(id)) return false;
  const [changed] = await EventRulesModel.update(
    { name: rules.name, document: rules },
    { where: { id, garageId } },
  );
  return changed > 0;
}

/** Takes a rule set away; rigs that were held against it are held against none. */
export async function deleteRules(garageId: string, id: string): Promise<void> {
  if (isUuid(id)) await EventRulesModel.destroy({ where: { id, garageId } });
}

/** Holds a rig against a rule set, or against none. @returns false where the garage has not both */
export async function chooseRules(garageId: string, rigId: string, id: string | null): Promise<boolean> {
  if (!isUuid(rigId)) return false;
  if (id !== null && !(isUuid(id) && (await EventRulesModel.findOne({ where: { id, garageId } }))))
    return false;
  const [changed] = await RigModel.update({ eventRulesId: id }, { where: { id: rigId, garageId } });
  return changed > 0;
}
