/**
 * The built-in archetypes: one ESC for each medium, together serving every class. Starting points for a user's own
 * profile, and something to rehearse on.
 */
import type { EscProfile } from '../esc/profile';
import type { VehicleClass } from '../rig/vehicleClass';
import {
  keyPadPattern,
  stickTogglePattern,
  stickTonesPattern,
  transmitterMenuPattern,
  twoKeysPattern,
} from './aircraft';
import { lampCardPattern, linkPattern, numberBoxPattern, oneKeyPattern, textBoxPattern } from './cars';

export interface Archetype {
  profile: EscProfile;
  /** The classes that find everything they need on it. */
  serves: readonly VehicleClass[];
}

export const ARCHETYPES: readonly Archetype[] = [
  { profile: oneKeyPattern, serves: ['tenthBuggy', 'basher', 'showTruck'] },
  { profile: lampCardPattern, serves: ['crawler', 'trailTruck'] },
  { profile: textBoxPattern, serves: ['eighthBuggy', 'specCircuit'] },
  { profile: numberBoxPattern, serves: [] },
  { profile: linkPattern, serves: ['modifiedCircuit', 'sprint'] },
  { profile: stickTonesPattern, serves: ['sportPlane', 'glider', 'twinPlane'] },
  { profile: transmitterMenuPattern, serves: ['aerobaticPlane'] },
  { profile: keyPadPattern, serves: ['helicopter'] },
  { profile: stickTogglePattern, serves: ['multirotor'] },
  { profile: twoKeysPattern, serves: ['fastBoat', 'workingBoat'] },
];

/** The archetype that serves a class. @throws {Error} where none does: a test holds that each is served */
export function archetypeFor(vehicleClass: VehicleClass): Archetype {
  const found = ARCHETYPES.find(({ serves }) => serves.includes(vehicleClass));
  if (!found) throw new Error(`no archetype serves the class '${vehicleClass}'`);
  return found;
}
