/** Everything that a key does anywhere on a page, with the key it has until it is changed. */
export const COMMANDS = {
  keys: { key: '?', words: 'Show this list' },
  rig: { key: '1', words: 'Go to Rig' },
  endpoints: { key: '2', words: 'Go to Endpoints' },
  tune: { key: '3', words: 'Go to Tune' },
  load: { key: '4', words: 'Go to Load' },
  sheets: { key: '5', words: 'Go to Sheets' },
  previousRail: { key: 'k', words: 'Tune: the rail above' },
  nextRail: { key: 'j', words: 'Tune: the rail below' },
  advice: { key: 'a', words: 'Tune: take the advice of the rail in focus' },
  allAdvice: { key: 'e', words: 'Tune: take all advice' },
  quick: { key: '/', words: 'Tune: type a name and a value' },
  putBack: { key: 'w', words: 'Tune: put back all values that are for a while' },
  undo: { key: 'z', words: 'Undo the last move of the draft' },
  redo: { key: 'h', words: 'Do again what was undone' },
  power: { key: 'p', words: 'Simulated ESC: switch it on or off' },
  stickUp: { key: 'u', words: 'Simulated ESC: throttle full up or forward' },
  stickRest: { key: 'd', words: 'Simulated ESC: throttle down or let go' },
  stickBrake: { key: 'b', words: 'Simulated ESC: throttle to full brake' },
  card: { key: 'c', words: 'Simulated ESC: card or box in or out' },
  item: { key: 'i', words: 'Card, box, menu: the next item' },
  value: { key: 'v', words: 'Card, box, menu, lamps: the next stop' },
  ok: { key: 'o', words: 'Card, box, menu, pad: the key that keeps it' },
  itemBack: { key: 'y', words: 'Box, menu: the item before' },
  valueBack: { key: 'x', words: 'Box, menu: the stop below' },
  menu: { key: 'm', words: 'Transmitter: its menu key' },
  program: { key: 'g', words: 'Key pad: the key that stops driving' },
  feature: { key: 'f', words: 'Key pad: the key for an item' },
  run: { key: 'n', words: 'Key pad: the key that drives again' },
  reset: { key: 'r', words: 'Card: its reset key' },
} as const satisfies Record<string, { key: string; words: string }>;

export type CommandId = keyof typeof COMMANDS;

/** Keys that are no characters, and so always work. */
export const FIXED_KEYS: readonly { key: string; words: string }[] = [
  {
    key: 'space',
    words: 'Simulated ESC: its set key, or the key that calibrates; beside your own ESC: done',
  },
  { key: '← →', words: 'A rail in focus: one stop down or up; Home and End go to its ends' },
  { key: '⌫', words: 'A rail in focus: put back to what the ESC holds' },
  { key: '⏎', words: 'A rail in focus: why this is advised' },
  { key: 'Tab', words: 'On to the next thing that can be worked' },
];
