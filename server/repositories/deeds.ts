/** Who did what in a garage: a line each, and the same done again and again is one. */
import { Op } from 'sequelize';
import type { Principal, Role } from '../access/who';
import { DeedModel } from '../accessModels';

export interface Deed {
  who: string;
  role: Role;
  deed: string;
  rigId: string | null;
  times: number;
  firstAt: string;
  lastAt: string;
}

/** The same deed of the same device within this time is one line. */
const SAME_WITHIN_MS = 10 * 60_000;
/** More than anybody reads. */
const KEPT = 500;

/** Notes a deed. @param deed in words: 'moved the draft' */
export async function noteDeed(
  { garageId, name, role }: Principal,
  deed: string,
  rigId: string | null,
  now = new Date(),
): Promise<void> {
  const where = { garageId, deviceName: name, role, deed, rigId };
  const since = new Date(now.getTime() - SAME_WITHIN_MS);
  const last = await DeedModel.findOne({
    where: { ...where, lastAt: { [Op.gte]: since } },
    order: [['id', 'DESC']],
  });
  if (last) {
    await last.update({ times: last.times + 1, lastAt: now });
    return;
  }
  await DeedModel.create({ ...where, firstAt: now, lastAt: now });
  const [first] = await DeedModel.findAll({
    where: { garageId },
    order: [['id', 'DESC']],
    offset: KEPT,
    limit: 1,
  });
  if (first) await DeedModel.destroy({ where: { garageId, id: { [Op.lte]: first.id } } });
}

/** The newest first. */
export async function deedsOf(garageId: string, limit: number): Promise<Deed[]> {
  const rows = await DeedModel.findAll({ where: { garageId }, order: [['id', 'DESC']], limit });
  return rows.map(({ deviceName, role, deed, rigId, times, firstAt, lastAt }) => ({
    who: deviceName,
    role,
    deed,
    rigId,
    times,
    firstAt: firstAt.toISOString(),
    lastAt: lastAt.toISOString(),
  }));
}
