/** A set-up of a rig, made from what is there: the draft, what the ESC holds, a sheet, a list that was read. */
import { sureStops } from '#core/sheet/draft';
import { holdingsOf } from '#core/sheet/evidence';
import { readHandValues, handValuesOf, withHandValues } from '#core/rig/handValues';
import { readIntents } from '#core/sheet/intents';
import { conditionsOf } from '#core/setUps/conditions';
import { setUpValues, valuesOfSheet, type SetUp } from '#core/setUps/setUp';
import type { StopByItem } from '#core/esc/profile';
import { randomUUID } from 'node:crypto';
import type { Bench } from './repositories/rigs';
import { findSheet, newestOwnSheets } from './repositories/sheets';

/** As a form names it: `draft`, `esc`, `sheet:12`, `list`. */
export type SetUpSource = string;

type Made = Pick<SetUp, 'values' | 'byHand' | 'reasons' | 'origin' | 'parentId'>;
type Words = Pick<SetUp, 'name' | 'isFor' | 'by' | 'note'>;

/**
 * Makes a set-up of a bench.
 * @param list what was read of a list, as JSON; only for the source `list`
 * @returns undefined where there is no such source, or it says nothing
 */
export async function setUpFrom(
  bench: Bench,
  source: SetUpSource,
  words: Words,
  list: unknown,
): Promise<SetUp | undefined> {
  const made = await madeFrom(bench, source, list);
  if (!made || (made.values.length === 0 && Object.keys(made.byHand).length === 0)) return undefined;
  return newSetUp(bench, { ...made, ...words });
}

/** A set-up with an id of its own, for the rig and the ESC of a bench. */
export function newSetUp(
  { rig, profile, goals }: Pick<Bench, 'rig' | 'profile' | 'goals'>,
  made: Made & Words,
): SetUp {
  return {
    id: randomUUID(),
    ...made,
    madeAt: new Date().toISOString(),
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    conditions: conditionsOf(withHandValues(rig, made.byHand), goals),
  };
}

async function madeFrom(bench: Bench, source: SetUpSource, list: unknown): Promise<Made | undefined> {
  const { rigId, rig, profile, draft, observations } = bench;
  const holdings = holdingsOf(profile, observations);
  const onEsc = async (): Promise<string | null> =>
    (await newestOwnSheets(rigId, 1))[0]?.sheet.setUp?.id ?? null;
  const whole = (stops: StopByItem): SetUp['values'] => setUpValues(profile, stops);
  if (source === 'draft')
    return {
      values: whole(sureStops(profile, holdings, draft)),
      byHand: handValuesOf(withHandValues(rig, draft.byHand)),
      reasons: draft.reasons,
      origin: 'draft',
      parentId: draft.setUpId ?? (await onEsc()),
    };
  if (source === 'esc')
    return {
      values: whole(sureStops(profile, holdings, { stops: {} })),
      byHand: handValuesOf(rig),
      reasons: {},
      origin: 'esc',
      parentId: await onEsc(),
    };
  if (source === 'list') {
    const { stops, byHand } = (list ?? {}) as Record<string, unknown>;
    const [wanted, hands] = [readIntents(profile, stops), readHandValues(byHand)];
    return wanted && hands
      ? { values: whole(wanted), byHand: hands, reasons: {}, origin: 'list', parentId: null }
      : undefined;
  }
  const number = /^sheet:(\d+)$/.exec(source)?.[1];
  const stored = number === undefined ? undefined : await findSheet(rigId, Number(number));
  if (!stored || stored.sheet.profileId !== profile.id) return undefined;
  const { sheet } = stored;
  return {
    values: valuesOfSheet(profile, sheet),
    byHand: sheet.byHand,
    reasons: sheet.reasons,
    origin: 'sheet',
    parentId: sheet.setUp?.id ?? null,
  };
}
