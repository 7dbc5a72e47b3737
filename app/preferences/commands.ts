/** Everything that a key does anywhere on a page, with the key it has until it is changed. */
export const COMMANDS = {
  keys: { key: '?', words: 'Show this list' },
  rig: { key: '1', words: 'Go to Rig' },
  endpoints: { key: '2', words: 'Go to Endpoints' },
  tune: { key: '3', words: 'Go to Tune' },
  load: { key: '4', words: 'Go to Load' },
  runs: { key: '5', words: 'Go to Runs' },
  sheets: { key: '6', words: 'Go to Sheets' },
  previousRail: { key: 'k', words: 'Tune: previous rail' },
  nextRail: { key: 'j', words: 'Tune: next rail' },
  advice: { key: 'a', words: 'Tune: take the advice for this rail' },
  allAdvice: { key: 'e', words: 'Tune: take all advice' },
  quick: { key: '/', words: 'Tune: go to the quick line' },
  putBack: { key: 'w', words: 'Tune: put back all temporary values' },
  undo: { key: 'z', words: 'Undo the last change to the draft' },
  redo: { key: 'h', words: 'Redo' },
  power: { key: 'p', words: 'Simulated ESC: power on or off' },
  stickUp: { key: 'u', words: 'Simulated ESC: full throttle' },
  stickRest: { key: 'd', words: 'Simulated ESC: throttle down or released' },
  stickBrake: { key: 'b', words: 'Simulated ESC: full brake' },
  card: { key: 'c', words: 'Simulated ESC: card or box in or out' },
  item: { key: 'i', words: 'Card, box, menu: next item' },
  value: { key: 'v', words: 'Card, box, menu, lamps: next stop' },
  ok: { key: 'o', words: 'Card, box, menu, pad: OK key' },
  itemBack: { key: 'y', words: 'Box, menu: previous item' },
  valueBack: { key: 'x', words: 'Box, menu: previous stop' },
  menu: { key: 'm', words: 'Transmitter: menu key' },
  program: { key: 'g', words: 'Key pad: program key' },
  feature: { key: 'f', words: 'Key pad: item key' },
  run: { key: 'n', words: 'Key pad: run key' },
  reset: { key: 'r', words: 'Card: reset key' },
} as const satisfies Record<string, { key: string; words: string }>;

export type CommandId = keyof typeof COMMANDS;

/** Keys that are no characters, and so always work. */
export const FIXED_KEYS: readonly { key: string; words: string }[] = [
  {
    key: 'space',
    words: 'Simulated ESC: its set or calibrate key. With your own ESC: step done',
  },
  { key: '← →', words: 'On a rail: one stop down or up. Home and End go to the ends' },
  { key: '⌫', words: 'On a rail: back to what the ESC holds' },
  { key: '⏎', words: 'On a rail: show why this is advised' },
  { key: 'Tab', words: 'Go to the next control' },
];
