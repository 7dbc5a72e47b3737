import type { CountedMemory } from '#core/device/control';
import type { EscMemory } from '#core/procedure/language';
import { literal, type Transaction } from 'sequelize';
import { database } from '../database';
import { SimulatedEscModel } from '../models';
import { lockRig } from './locks';

export async function simulatedMemoryOf(rigId: string): Promise<CountedMemory> {
  const row = await SimulatedEscModel.findByPk(rigId, { rejectOnEmpty: true });
  return { memory: row.memory, writes: Number(row.writes) };
}

/** Keeps a memory that was changed at the page. The rig must be locked. */
export async function keepMemory(rigId: string, memory: EscMemory, transaction: Transaction): Promise<void> {
  await SimulatedEscModel.update(
    { memory, writes: literal('writes + 1'), updatedAt: new Date() },
    { where: { rigId }, transaction },
  );
}

/** Takes over a memory that was changed elsewhere, with its own count. */
export async function takeMemory(rigId: string, { memory, writes }: CountedMemory): Promise<void> {
  await database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    await SimulatedEscModel.update(
      { memory, writes, updatedAt: new Date() },
      { where: { rigId }, transaction },
    );
  });
}
