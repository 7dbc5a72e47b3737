import { smallProfile } from '../esc/smallProfile.fixture';
import { factoryStops } from '../esc/profile';
import { usualGoals } from '../advice/goals';
import { defaultRig } from '../rig/defaults';
import { handValuesOf } from '../rig/handValues';
import { conditionsOf } from './conditions';
import { setUpValues, type SetUp } from './setUp';

/** A set-up of the small ESC in a buggy, as the factory has it. */
export function smallSetUp(change: Partial<SetUp> = {}): SetUp {
  const profile = smallProfile();
  const rig = { ...defaultRig('tenthBuggy'), name: 'Test buggy' };
  return {
    id: 'set-up-1',
    name: 'Dusty day',
    isFor: 'the dry track, after noon',
    by: '',
    note: '',
    origin: 'draft',
    parentId: null,
    madeAt: '2026-05-01T00:00:00.000Z',
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    values: setUpValues(profile, factoryStops(profile)),
    byHand: handValuesOf(rig),
    reasons: {},
    conditions: conditionsOf(rig, usualGoals('tenthBuggy')),
    ...change,
  };
}
