/** Loads of one's own ESCs that are under way. One device works a load; the others see it, and may take it over. */
import { afterWord, ownLoadAfter, type LoadBeginning, type LoadWord } from '#core/plan/ownLoad';
import type { Transaction } from 'sequelize';
import { whoAsks } from '../access/who';
import { database } from '../database';
import { OpenLoadModel, type SaidWord } from '../openLoadModel';
import type { EscOfRig } from './escOfRig';
import { lockRig } from './locks';
import { addObservations } from './observations';
import type { Bench } from './rigs';
import { keepMemory } from './simulatedEscs';

export interface OpenLoad {
  id: string;
  escNumber: number;
  beginning: LoadBeginning;
  words: SaidWord[];
  /** Who works it now, and whether that is the device that asks. */
  doer: string;
  isMine: boolean;
}

/** More than hands do in any load. All of it is gone through at each word. */
const MOST_INPUTS = 20_000;

export type Said =
  /** It is noted, or was before. */
  | 'noted'
  /** Others have said something meanwhile: nothing was noted. */
  | 'overtaken'
  /** Another device works it. */
  | 'notYourTurn'
  /** It is over, was begun again, or is longer than any load. */
  | 'gone';

/** The loads of a rig that are under way. */
export async function openLoadsOf(rigId: string): Promise<OpenLoad[]> {
  const rows = await OpenLoadModel.findAll({ where: { rigId }, order: ['escNumber'] });
  const { deviceId } = whoAsks();
  return rows.map(({ id, escNumber, beginning, words, doerName, doerId }) => ({
    id,
    escNumber,
    beginning,
    words,
    doer: doerName,
    isMine: doerId === (deviceId ?? null),
  }));
}

/** Begins a load, in place of one of the same ESC where there is one: who begins was asked. Sent twice, it is begun once. */
export async function beginOpenLoad(esc: EscOfRig, id: string, beginning: LoadBeginning): Promise<void> {
  await change(esc, async (row, transaction) => {
    if (row?.id === id) return;
    await row?.destroy({ transaction });
    await OpenLoadModel.create({ ...esc, id, beginning, ...doing() }, { transaction });
  });
}

/**
 * Notes what was said beside an ESC, and what follows from it of what it holds: both or neither.
 * @param place how many words the device knew of
 */
export async function sayOfLoad(
  bench: Bench,
  loadId: string,
  { id: wordId, word }: Omit<SaidWord, 'by'>,
  place: number,
): Promise<Said> {
  const { rigId, escNumber, profile, escs } = bench;
  return change({ rigId, escNumber }, async (row, transaction): Promise<Said> => {
    if (row?.id !== loadId) return 'gone';
    if (row.words[place]?.id === wordId) return 'noted';
    if (row.words.length !== place) return 'overtaken';
    if (row.doerId !== doing().doerId) return 'notYourTurn';
    if (inputsIn([...wordsOf(row), word]) > MOST_INPUTS) return 'gone';
    const before = ownLoadAfter(profile, row.beginning, wordsOf(row));
    const { load, findings } = afterWord(profile, row.beginning, before, word);
    const words = [...row.words, { id: wordId, by: doing().doerName, word }];
    await row.update({ words }, { transaction });
    if (findings.length === 0) return 'noted';
    const at = new Date().toISOString();
    const { memory } = load.esc.config;
    for (const one of [escNumber, ...row.beginning.alongside]) {
      const range = one === escNumber ? memory.range : escs[one - 1]!.memory.range;
      // What each has learned is its own.
      await keepMemory({ rigId, escNumber: one }, { ...memory, range }, transaction);
      await addObservations(
        { rigId, escNumber: one },
        findings.map((finding) => ({ ...finding, at })),
        transaction,
      );
    }
    return 'noted';
  });
}

/** This device works it from now on. */
export async function takeLoad(esc: EscOfRig, loadId: string): Promise<Said> {
  return change(esc, async (row, transaction): Promise<Said> => {
    if (row?.id !== loadId) return 'gone';
    await row.update(doing(), { transaction });
    return 'noted';
  });
}

/** It is over: all is stored, or it was left. What was stored stays known. */
export async function endLoad(esc: EscOfRig, loadId: string): Promise<void> {
  await change(esc, async (row, transaction) => {
    if (row?.id === loadId) await row.destroy({ transaction });
  });
}

const inputsIn = (words: readonly LoadWord[]): number =>
  words.reduce((sum, word) => sum + (word.say === 'done' ? word.inputs.length : 1), 0);

const wordsOf = ({ words }: OpenLoadModel): LoadWord[] => words.map(({ word }) => word);

function doing(): { doerId: string | null; doerName: string } {
  const { deviceId, name } = whoAsks();
  return { doerId: deviceId ?? null, doerName: name };
}

async function change<T>(
  esc: EscOfRig,
  work: (row: OpenLoadModel | null, transaction: Transaction) => Promise<T>,
): Promise<T> {
  return database().transaction(async (transaction) => {
    await lockRig(esc.rigId, transaction);
    const { rigId, escNumber } = esc;
    return work(await OpenLoadModel.findOne({ where: { rigId, escNumber }, transaction }), transaction);
  });
}
