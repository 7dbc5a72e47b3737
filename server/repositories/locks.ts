import type { Transaction } from 'sequelize';
import { RigModel } from '../models';

/**
 * Whoever writes what hangs on a rig (sheets, observations, its draft) locks the rig first, and nothing before it: two
 * that write at once then wait for each other, and neither is refused.
 */
export async function lockRig(rigId: string, transaction: Transaction): Promise<RigModel> {
  return RigModel.findByPk(rigId, { rejectOnEmpty: true, transaction, lock: true });
}
