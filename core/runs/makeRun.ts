import type { Surface } from '../advice/goals';
import type { EscProfile } from '../esc/profile';
import { handValuesOf } from '../rig/handValues';
import type { Rig } from '../rig/rig';
import { conditionsOf } from '../setUps/conditions';
import { holdingsOf, type Observation } from '../sheet/evidence';
import { writeSheet } from '../sheet/sheet';
import type { Run, RunNote } from './run';

/** What a run was driven with, and what was noted of it. */
export interface DrivenWith extends Pick<Run, 'id' | 'drivenAt' | 'setUp' | 'calibratedAt' | 'question'> {
  /** As hands had set it. */
  rig: Rig;
  profile: EscProfile;
  /** What was seen on its ESC by then. */
  observations: Observation[];
  /** Where the note names none. */
  usualSurface: Surface;
  note: RunNote;
}

/** A run with what its ESC held, and how that was known. */
export function makeRun({ rig, profile, observations, usualSurface, note, ...rest }: DrivenWith): Run {
  const { values } = writeSheet(profile, holdingsOf(profile, observations), {
    id: rest.id,
    rigName: rig.name,
    keptAt: rest.drivenAt,
    medium: null,
    simulated: null,
    changedItemIds: [],
    byHand: {},
    setUp: null,
    reasons: {},
    note: '',
  });
  return {
    ...note,
    ...rest,
    rigName: rig.name,
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    held: values,
    byHand: handValuesOf(rig),
    conditions: conditionsOf(rig, { surface: note.surface ?? usualSurface }),
  };
}
