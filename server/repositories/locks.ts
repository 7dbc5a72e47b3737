import type { Transaction } from 'sequelize';
import { GarageModel, RigModel } from '../models';

/**
 * Whoever writes what hangs on a rig (sheets, its draft, its simulated ESC) locks the rig first, and nothing before it: two
 * that write at once then wait for each other, and neither is refused. The count of its facts is written behind each.
 */
export async function lockRig(rigId: string, transaction: Transaction): Promise<RigModel> {
  return RigModel.findByPk(rigId, { rejectOnEmpty: true, transaction, lock: true });
}

/** Whoever adds to what a garage has one of each of (profiles, their revisions) locks the garage first. */
export async function lockGarage(garageId: string, transaction: Transaction): Promise<void> {
  await GarageModel.findByPk(garageId, { rejectOnEmpty: true, transaction, lock: true });
}
