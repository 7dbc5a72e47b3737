/** What to take and what to look at before a race day, by kind of model. Common practice; anybody may change the list. */
import { kindOf, type VehicleClass } from '../rig/vehicleClass';

const EVERY_DAY = [
  'Radio charged, and its spare cells taken along.',
  'Packs counted, none puffed, none damaged.',
  'Charger, its lead, and a bag that fire does not get through.',
  'Programming lead or card of this ESC.',
  'Entry, transponder, and the rules of the event read.',
];

const WHEELS = [
  'Wheel nuts tight, wheels turn freely.',
  'Pinion grub screw tight, mesh neither tight nor loose.',
  'Spare pinions, and the tool for them.',
  'Throttle at neutral: the model stands still with the radio on.',
  'Radio lost on purpose, wheels off the ground: the motor stops.',
];

const PROPELLER = [
  'Propeller without a nick, and its nut tight.',
  'Propeller off for every change of the ESC.',
  'Spare propellers of the same size.',
  'Control surfaces move the right way.',
  'Radio lost on purpose, propeller off: the motor stops.',
];

/** The lines that a race day begins with for some models. */
export function checklistFor(classes: readonly VehicleClass[]): string[] {
  const kinds = new Set(classes.map(kindOf));
  return [...EVERY_DAY, ...(kinds.has('wheels') ? WHEELS : []), ...(kinds.has('propeller') ? PROPELLER : [])];
}
