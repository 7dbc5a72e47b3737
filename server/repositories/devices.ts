/** Paired devices of a garage, and the sessions by which they are known again. */
import { createHash, randomBytes } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import type { Principal, Role } from '../access/who';
import { DeviceModel, SessionModel } from '../accessModels';
import { database } from '../database';
import { isUuid } from './ids';
import { lockGarage } from './locks';

export interface Device {
  id: string;
  name: string;
  role: Role;
  rigId: string | null;
  setUpId: string | null;
  pairedAt: string;
  seenAt: string;
}

/** More than any garage has friends. */
const MOST_DEVICES = 50;

export type NewDevice = Pick<Principal, 'garageId' | 'role' | 'name' | 'sees'>;

/**
 * Adds a device, and begins its session. Those that nobody has seen for a month make room.
 * @returns the token that it shows from now on; undefined where there are too many devices
 */
export async function addDevice({ garageId, role, name, sees }: NewDevice): Promise<string | undefined> {
  const token = newToken();
  const isAdded = await database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    const unseenSince = new Date(Date.now() - SEEN_WITHIN_MS);
    await DeviceModel.destroy({ where: { garageId, seenAt: { [Op.lt]: unseenSince } }, transaction });
    if ((await DeviceModel.count({ where: { garageId }, transaction })) >= MOST_DEVICES) return false;
    const device = await DeviceModel.create(
      { garageId, role, name, rigId: sees?.rigId ?? null, setUpKey: sees?.setUpId ?? null },
      { transaction },
    );
    await SessionModel.create({ deviceId: device.id, shown: digestOf(token) }, { transaction });
    return true;
  });
  return isAdded ? token : undefined;
}

/** The devices of a garage, the last seen first. */
export async function devicesOf(garageId: string): Promise<Device[]> {
  const rows = await DeviceModel.findAll({ where: { garageId }, order: [['seenAt', 'DESC']] });
  return rows.map(({ id, name, role, rigId, setUpKey, pairedAt, seenAt }) => ({
    id,
    name,
    role,
    rigId,
    setUpId: setUpKey,
    pairedAt: pairedAt.toISOString(),
    seenAt: seenAt.toISOString(),
  }));
}

/** Removes a device, and with it all that it may. @returns false where the garage has none of this id */
export async function removeDevice(garageId: string, id: string): Promise<boolean> {
  if (!isUuid(id)) return false;
  return (await DeviceModel.destroy({ where: { id, garageId } })) > 0;
}

/** Removes all devices of a garage but one. @param but stays; undefined where none does */
export async function removeDevices(garageId: string, but: string | undefined): Promise<number> {
  return DeviceModel.destroy({ where: { garageId, ...(but !== undefined && { id: { [Op.ne]: but } }) } });
}

/** A token is changed for a new one after so long. */
const TURNED_AFTER_MS = 60 * 60_000;
/** What was asked at the same time as the first with the new token still shows the old one. */
const OVERLAP_MS = 2 * 60_000;
/** A device that is not seen for so long is forgotten, and one that was paired so long ago. */
const SEEN_WITHIN_MS = 30 * 24 * 60 * 60_000;
const LASTS_MS = 180 * 24 * 60 * 60_000;
/** Not every request is worth a line in the database. */
const NOTED_EVERY_MS = 60_000;

export interface Known {
  principal: Principal;
  /** What the device has to show from now on; undefined where that stays. */
  token: string | undefined;
}

/**
 * Who shows a token. It is changed for another now and then. The one before is good until the device has shown the new one: on a
 * poor network an answer is lost, and nobody shall be locked out by that.
 */
export async function whoShows(token: string, now = new Date()): Promise<Known | undefined> {
  const digest = digestOf(token);
  const session = await sessionOf(digest);
  if (!session) return undefined;
  const { device } = session;
  const age = (since: Date): number => now.getTime() - since.getTime();
  if (age(session.seenAt) > SEEN_WITHIN_MS || age(session.begunAt) > LASTS_MS) {
    await DeviceModel.destroy({ where: { id: device.id } });
    return undefined;
  }
  const isNew = session.shown.equals(digest);
  const isOver = !isNew && session.confirmedAt !== null && age(session.confirmedAt) > OVERLAP_MS;
  if (isOver) return undefined;
  const ofSession = { where: { id: session.id } };
  if (isNew && session.confirmedAt === null) await SessionModel.update({ confirmedAt: now }, ofSession);
  if (age(session.seenAt) > NOTED_EVERY_MS)
    await Promise.all([
      SessionModel.update({ seenAt: now }, ofSession),
      DeviceModel.update({ seenAt: now }, { where: { id: device.id } }),
    ]);
  const isDue = isNew && age(session.turnedAt) > TURNED_AFTER_MS;
  const isLost = !isNew && session.confirmedAt === null && age(session.turnedAt) > OVERLAP_MS;
  return {
    principal: principalOf(device),
    token: isDue || isLost ? await turn(session, digest, now) : undefined,
  };
}

type Shown = Pick<SessionModel, 'id' | 'shown' | 'begunAt' | 'turnedAt' | 'confirmedAt' | 'seenAt'> & {
  device: Pick<DeviceModel, 'id' | 'garageId' | 'role' | 'name' | 'rigId' | 'setUpKey'>;
};

/** A session and its device in one query: it stands before every request. */
async function sessionOf(digest: Buffer): Promise<Shown | undefined> {
  const [row] = await database().query<Shown & Shown['device'] & { sessionId: string }>(
    `SELECT s.id AS "sessionId", s.shown, s.begun_at AS "begunAt", s.turned_at AS "turnedAt", s.confirmed_at AS "confirmedAt",
       s.seen_at AS "seenAt", d.id, d.garage_id AS "garageId", d.role, d.name, d.rig_id AS "rigId", d.set_up_key AS "setUpKey"
     FROM sessions s JOIN devices d ON d.id = s.device_id
     WHERE s.shown = :digest OR s.shown_before = :digest LIMIT 1`,
    { type: QueryTypes.SELECT, replacements: { digest } },
  );
  return row && { ...row, id: row.sessionId, device: row };
}

/** Changes a token for another. Of many requests that come at once one does it. @returns the new token, to that one */
async function turn(
  session: Pick<SessionModel, 'id' | 'turnedAt'>,
  shown: Buffer,
  now: Date,
): Promise<string | undefined> {
  const token = newToken();
  const [, turned] = await SessionModel.update(
    { shown: digestOf(token), shownBefore: shown, turnedAt: now, confirmedAt: null },
    { where: { id: session.id, turnedAt: session.turnedAt }, returning: true },
  );
  return turned.length > 0 ? token : undefined;
}

/** Ends the session that a device has, and forgets the device: what was signed in is signed out. */
export const signOut = (deviceId: string): Promise<number> =>
  DeviceModel.destroy({ where: { id: deviceId } });

/** Which devices are there, by their ids: lines that are still open to others are closed. */
export async function areThere(ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const rows = await database().query<{ id: string }>('SELECT id FROM devices WHERE id IN (:ids)', {
    type: QueryTypes.SELECT,
    replacements: { ids },
  });
  return new Set(rows.map(({ id }) => id));
}

const principalOf = ({ id, garageId, role, name, rigId, setUpKey }: Shown['device']): Principal => ({
  garageId,
  role,
  name,
  deviceId: id,
  sees: rigId === null ? undefined : { rigId, setUpId: setUpKey ?? undefined },
});

/** 256 bits. */
const newToken = (): string => randomBytes(32).toString('base64url');

const digestOf = (token: string): Buffer => createHash('sha256').update(token).digest();
