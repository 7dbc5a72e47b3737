/** A set of values to compare with, as an address names it. */
import { factoryStops, type EscProfile } from '#core/esc/profile';
import { handValuesOf } from '#core/rig/handValues';
import { conditionsOf } from '#core/setUps/conditions';
import type { Side } from '#core/setUps/compare';
import { stopsOfSetUp, type SetUp } from '#core/setUps/setUp';
import type { StopByItem } from '#core/esc/profile';
import { heldStops, holdingsOf } from '#core/sheet/evidence';
import type { Sheet } from '#core/sheet/sheet';
import type { Result } from '#core/units/problem';
import { LARGEST_DOCUMENT_BYTES, readDocument, type LiveTuneDocument } from '#formats/document';
import { findProfileByKey, findProfileRevision } from './repositories/escProfiles';
import { findBench, type Bench } from './repositories/rigs';
import { findSetUp } from './repositories/setUps';
import { findSheet } from './repositories/sheets';

/**
 * A side by its key: `set-up:ID`, `sheet:NUMBER`, `rig:RIG` (what its ESC holds), `rig:RIG:set-up:ID`.
 * @returns undefined where there is none; what the page itself knows best (the draft, the ESC, factory values) is not named here
 */
export async function sideOf(garageId: string, bench: Bench, key: string): Promise<Side | undefined> {
  const [kind, id, ...rest] = key.split(':');
  if (kind === 'set-up') return id ? ofSetUp(garageId, await findSetUp(bench.rigId, id)) : undefined;
  if (kind === 'sheet') {
    const stored = await findSheet(bench.rigId, Number(id));
    const profile = stored && (await profileOfSheet(garageId, stored.sheet));
    return profile && sheetSide(`Sheet ${stored.number}`, profile, stored.sheet);
  }
  if (kind !== 'rig' || !id) return undefined;
  const other = await findBench(garageId, id);
  if (!other) return undefined;
  return rest[0] === 'set-up' && rest[1]
    ? ofSetUp(garageId, await findSetUp(other.rigId, rest[1]))
    : heldSide(other);
}

async function ofSetUp(garageId: string, stored: { setUp: SetUp } | undefined): Promise<Side | undefined> {
  if (!stored) return undefined;
  const { profileId, profileRevision } = stored.setUp;
  const profile =
    (await findProfileRevision(garageId, profileId, profileRevision)) ??
    (await findProfileByKey(garageId, profileId))?.profile;
  return profile && setUpSide(stored.setUp, profile);
}

const setUpSide = (setUp: SetUp, profile: EscProfile): Side => ({
  title: setUp.by === '' ? setUp.name : `${setUp.name}, ${setUp.by}`,
  profile,
  stops: stopsOfSetUp(setUp),
  byHand: setUp.byHand,
  reasons: setUp.reasons,
  conditions: setUp.conditions,
});

const heldSide = ({ rig, profile, observations, goals }: Bench): Side => ({
  title: rig.name,
  profile,
  stops: known(heldStops(profile, holdingsOf(profile, observations))),
  byHand: handValuesOf(rig),
  reasons: {},
  conditions: conditionsOf(rig, goals),
});

const sheetSide = (
  title: string,
  profile: EscProfile,
  sheet: Pick<Sheet, 'values' | 'byHand' | 'reasons'>,
): Side => ({
  title,
  profile,
  stops: known(Object.fromEntries(sheet.values.map(({ itemId, stopId }) => [itemId, stopId]))),
  byHand: sheet.byHand,
  reasons: sheet.reasons,
  conditions: null,
});

/** A sheet may be of an ESC that its rig had before. */
const profileOfSheet = async (
  garageId: string,
  { profileId, profileRevision }: Pick<Sheet, 'profileId' | 'profileRevision'>,
): Promise<EscProfile | undefined> =>
  (await findProfileRevision(garageId, profileId, profileRevision)) ??
  (await findProfileByKey(garageId, profileId))?.profile;

const known = (stops: Readonly<Record<string, string | null>>): StopByItem =>
  Object.fromEntries(Object.entries(stops).filter((entry): entry is [string, string] => entry[1] !== null));

/** A side from a file that a form brought, or everything that is wrong with it. */
export async function sideInForm(garageId: string, form: FormData): Promise<Result<Side>> {
  const file = form.get('file');
  if (!(file instanceof File) || file.size === 0) return refused('Choose a file first.');
  if (file.size > LARGEST_DOCUMENT_BYTES)
    return refused(`“${file.name}” is too large for a Live Tune document.`);
  const read = readDocument(await file.text());
  if (!read.ok) return read;
  const side = await sideOfFile(garageId, read.value);
  return typeof side === 'string' ? refused(side) : { ok: true, value: side };
}

const refused = (sentence: string): Result<never> => ({ ok: false, problems: [{ path: '', sentence }] });

/**
 * A side from a file: a set-up, a sheet, or a rig as it leaves the factory.
 * @returns a sentence where its ESC is not known here
 */
async function sideOfFile(garageId: string, document: LiveTuneDocument): Promise<Side | string> {
  switch (document.format) {
    case 'live-tune/set-up': {
      const { setUp, escProfile } = document;
      const profile = escProfile ?? (await findProfileByKey(garageId, setUp.profileId))?.profile;
      return profile ? setUpSide(setUp, profile) : missing(setUp.profileName);
    }
    case 'live-tune/sheet': {
      const profile = await profileOfSheet(garageId, document);
      const title = `${document.rigName}, sheet of ${document.keptAt.slice(0, 10)}`;
      return profile ? sheetSide(title, profile, document) : missing(document.profileName);
    }
    case 'live-tune/run': {
      const { run } = document;
      const profile = await profileOfSheet(garageId, run);
      const title = `${run.rigName}, run of ${run.drivenAt.slice(0, 10)}`;
      const driven = { values: run.held, byHand: run.byHand, reasons: {} };
      return profile
        ? { ...sheetSide(title, profile, driven), conditions: run.conditions }
        : missing(run.profileName);
    }
    case 'live-tune/rig': {
      const { rig, escProfileId, escProfile } = document;
      const profile = escProfile ?? (await findProfileByKey(garageId, escProfileId))?.profile;
      if (!profile) return missing(escProfileId);
      return {
        title: `${rig.name}, factory values`,
        profile,
        stops: factoryStops(profile),
        byHand: handValuesOf(rig),
        reasons: {},
        conditions: conditionsOf(rig, { surface: 'middling' }),
      };
    }
    case 'live-tune/pack':
    case 'live-tune/day':
    case 'live-tune/practice':
      return 'This file has no values of an ESC. Choose a set-up, a sheet, a run or a rig.';
    case 'live-tune/esc-profile':
      return {
        title: `${document.name}, factory values`,
        profile: document,
        stops: factoryStops(document),
        byHand: {},
        reasons: {},
        conditions: null,
      };
  }
}

const missing = (name: string): string =>
  `Its ESC “${name}” is not known here. Take in that ESC profile first.`;
