/** A run of a rig as it is kept: what was noted, with what the ESC held and the model had at that time. */
import { withHandValues, type HandValues } from '#core/rig/handValues';
import { makeRun } from '#core/runs/makeRun';
import type { Run, RunNote } from '#core/runs/run';
import { firstEsc } from './repositories/escOfRig';
import { newestObservations } from './repositories/observations';
import type { Bench } from './repositories/rigs';
import { newestOwnSheets } from './repositories/sheets';

/** What a page sends of a run. */
export interface NotedRun {
  id: string;
  drivenAt: string;
  note: RunNote;
  /** Of the model and its radio, as the page had it. */
  byHand: HandValues;
  question: Run['question'];
}

/** Sheets that are looked through for the one before a run: a run that waited on a phone is hours late at most. */
const SHEETS_LOOKED_AT = 50;

/** Adds to a note what was on the ESC when it was driven: evidence up to then, whatever was loaded since. */
export async function runFrom(
  bench: Bench,
  { id, drivenAt, note, byHand, question }: NotedRun,
): Promise<Run> {
  const { rigId, rig, profile, goals, calibrations } = bench;
  const [observations, sheets] = await Promise.all([
    newestObservations(firstEsc(rigId), profile, drivenAt),
    newestOwnSheets(rigId, SHEETS_LOOKED_AT),
  ]);
  const before = <T extends { keptAt: string }>(all: readonly T[]): T | undefined =>
    all.find(({ keptAt }) => Date.parse(keptAt) <= Date.parse(drivenAt));
  return makeRun({
    id,
    drivenAt,
    rig: withHandValues(rig, byHand),
    profile,
    observations,
    usualSurface: goals.surface,
    note,
    setUp: before(sheets.map(({ sheet }) => sheet))?.setUp ?? null,
    calibratedAt: before(calibrations)?.keptAt ?? null,
    question,
  });
}
