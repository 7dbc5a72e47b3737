/** What an archive would bring into a garage: shown before anything is changed. */
import { Transaction } from 'sequelize';
import { database } from '../database';
import { DayModel, PackEntryModel, PackModel } from '../dayModels';
import { PracticeModel, SignsModel } from '../practiceModels';
import { AlikeModel, EscProfileModel, EventRulesModel, RigModel } from '../models';
import { sameJson } from '../repositories/escProfiles';
import { digestOfRig } from './rigFiles';
import { digestsIn, type OpenArchive } from './readArchive';

export type Standing = 'new' | 'same' | 'different';

export interface Compared {
  madeAt: string;
  rigs: { id: string; name: string; standing: Standing }[];
  profiles: { name: string; revision: number; standing: Standing }[];
  rules: { name: string; standing: Standing }[];
  alike: { name: string; standing: Standing }[];
  packs: { name: string; standing: Standing }[];
  days: { name: string; standing: Standing }[];
  practice: { name: string; standing: Standing }[];
}

/** Holds every part of an archive against what the garage has. */
export async function compareArchive(garageId: string, archive: OpenArchive): Promise<Compared> {
  const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
  return database().transaction({ isolationLevel, readOnly: true }, async (transaction) => {
    const digests = digestsIn(archive.manifest);
    const rigs: Compared['rigs'] = [];
    for (const { id, name } of archive.manifest.rigs) {
      const row = await RigModel.findOne({ where: { id, garageId }, transaction });
      const isSame = row && (await digestOfRig(row, transaction)) === digests.get(id);
      rigs.push({ id, name, standing: row ? standing(isSame === true) : 'new' });
    }
    const profiles: Compared['profiles'] = [];
    for (const profile of archive.profiles) {
      const where = { garageId, profileKey: profile.id, revision: profile.revision };
      const row = await EscProfileModel.findOne({ where, transaction });
      const { name, revision } = profile;
      profiles.push({ name, revision, standing: row ? standing(sameJson(row.document, profile)) : 'new' });
    }
    const rules: Compared['rules'] = [];
    for (const one of archive.rules) {
      const row = await EventRulesModel.findOne({ where: { id: one.id, garageId }, transaction });
      rules.push({
        name: one.rules.name,
        standing: row ? standing(sameJson(row.document, one.rules)) : 'new',
      });
    }
    const alike: Compared['alike'] = [];
    for (const { id, group } of archive.alike) {
      const row = await AlikeModel.findOne({ where: { id, garageId }, transaction });
      alike.push({ name: group.name, standing: row ? standing(sameJson(row.document, group)) : 'new' });
    }
    return {
      madeAt: archive.manifest.madeAt,
      rigs,
      profiles,
      rules,
      alike,
      packs: await comparePacks(garageId, archive.packs, transaction),
      days: await compareDays(garageId, archive.days, transaction),
      practice: await comparePractice(garageId, archive.practice, transaction),
    };
  });
}

/** A pack whose life here has all that the archive knows is the same. */
async function comparePacks(
  garageId: string,
  packs: OpenArchive['packs'],
  transaction: Transaction,
): Promise<Compared['packs']> {
  const compared: Compared['packs'] = [];
  for (const { pack, entries } of packs) {
    const row = await PackModel.findOne({ where: { garageId, documentKey: pack.id }, transaction });
    const known = row
      ? new Set(
          (await PackEntryModel.findAll({ where: { packId: row.id }, transaction })).map(
            ({ documentKey }) => documentKey,
          ),
        )
      : undefined;
    const isSame = row !== null && sameJson(row.document, pack) && entries.every(({ id }) => known!.has(id));
    compared.push({ name: pack.label, standing: row ? standing(isSame) : 'new' });
  }
  return compared;
}

async function compareDays(
  garageId: string,
  days: OpenArchive['days'],
  transaction: Transaction,
): Promise<Compared['days']> {
  const compared: Compared['days'] = [];
  for (const day of days) {
    const row = await DayModel.findOne({ where: { garageId, documentKey: day.id }, transaction });
    compared.push({ name: day.name, standing: row ? standing(sameJson(row.document, day)) : 'new' });
  }
  return compared;
}

/** The same where the garage knows every rehearsal of the archive. */
async function comparePractice(
  garageId: string,
  practice: OpenArchive['practice'],
  transaction: Transaction,
): Promise<Compared['practice']> {
  const compared: Compared['practice'] = [];
  for (const { profileId, results, signs } of practice) {
    const known = await PracticeModel.count({
      where: { garageId, documentKey: results.map(({ id }) => id) },
      transaction,
    });
    const knowsSigns =
      signs.length === 0 ||
      (await SignsModel.count({ where: { garageId, profileKey: profileId }, transaction })) > 0;
    const isSame = known === results.length && knowsSigns;
    compared.push({
      name: `Practice on ${profileId}`,
      standing: known === 0 && !isSame ? 'new' : standing(isSame),
    });
  }
  return compared;
}

const standing = (isSame: boolean): Standing => (isSame ? 'same' : 'different');
