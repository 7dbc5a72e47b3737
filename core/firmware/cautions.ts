/** What must be so before an update, and stay so until it is done. Common practice. */
export const UPDATE_CAUTIONS: readonly string[] = [
  'Propeller off, or pinion out of mesh and wheels in the air: it starts anew in the middle of it.',
  'The pack is charged and watched; nothing near it burns.',
  'Nothing is unplugged, switched off or closed until it says that it is done.',
  'Not on the day of an event. Club rules, event rules and local law come first.',
];
