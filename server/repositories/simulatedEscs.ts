import type { CountedMemory } from '#core/device/control';
import type { EscMemory } from '#core/procedure/language';
import { literal, type Transaction } from 'sequelize';
import { database } from '../database';
import { SimulatedEscModel } from '../models';
import type { EscOfRig } from './escOfRig';
import { lockRig } from './locks';

export async function simulatedMemoryOf({ rigId, escNumber }: EscOfRig): Promise<CountedMemory> {
  const row = await SimulatedEscModel.findOne({ where: { rigId, escNumber }, rejectOnEmpty: true });
  return { memory: row.memory, writes: Number(row.writes) };
}

/** Puts a simulated ESC on the bench, in place of the one that was there. */
export async function placeSimulated(
  esc: EscOfRig,
  memory: EscMemory,
  transaction: Transaction,
): Promise<void> {
  await SimulatedEscModel.upsert({ ...esc, memory, writes: 0, updatedAt: new Date() }, { transaction });
}

/** Keeps a memory that was changed at the page. The rig must be locked. */
export async function keepMemory(
  { rigId, escNumber }: EscOfRig,
  memory: EscMemory,
  transaction: Transaction,
): Promise<void> {
  await SimulatedEscModel.update(
    { memory, writes: literal('writes + 1'), updatedAt: new Date() },
    { where: { rigId, escNumber }, transaction },
  );
}

/** Takes over a memory that was changed elsewhere, with its own count. */
export async function takeMemory(
  { rigId, escNumber }: EscOfRig,
  { memory, writes }: CountedMemory,
): Promise<void> {
  await database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    await SimulatedEscModel.update(
      { memory, writes, updatedAt: new Date() },
      { where: { rigId, escNumber }, transaction },
    );
  });
}
