/** What must be so before an update, and stay so until it is done. Common practice. */
export const UPDATE_CAUTIONS: readonly string[] = [
  'Propeller off, or pinion out of mesh and wheels off the bench: the ESC restarts during the update.',
  'Charged pack, watched, with nothing flammable near it.',
  'Unplug, switch off and close nothing until it says it is done.',
  'Do not update on the day of an event. Club rules, event rules and local law come first.',
];
