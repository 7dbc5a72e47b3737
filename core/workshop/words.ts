/** The words of what manuals print, each in one form, whatever the maker calls it: `Max.`, `maximum`, `maximal`. */

/** What several words together mean, before single words are looked at. */
const PHRASES: readonly (readonly [RegExp, string])[] = [
  [/\blow[- ]?voltage\b/g, 'low volt'],
  [/\bunder[- ]?voltage\b/g, 'undervolt'],
  [/\bl\.?v\.?c\.?\b/g, 'low volt cutoff'],
  [/\bcut([- ]?(off|out))?\b/g, 'cutoff'],
  [/\b(start|starting)[- ]?up\b/g, 'start'],
  [/\bpower[- ]?(on|up)\b/g, 'poweron'],
  [/\b(spool|spin)[- ]?up\b/g, 'spoolup'],
  [/\bdead[- ]?(band|zone)\b/g, 'deadband'],
  [/\bfree[- ]?wheel(ing)?\b/g, 'freewheel'],
  [/\bfail[- ]?safe\b/g, 'failsafe'],
  [/\bhead[- ]?speed\b/g, 'headspeed'],
  [/\blift[- ]?off\b/g, 'liftoff'],
  [/\bease[- ]?off\b/g, 'easeoff'],
  [/\bend[- ]?points?\b/g, 'endpoint'],
  [/\bover[- ]?current\b/g, 'overcurrent'],
  [/\bover[- ]?(heat|temp(erature)?)(ing)?\b/g, 'temp'],
  [/\bthermal[- ]shut[- ]?down\b/g, 'temp shutdown'],
  [/\bshut[- ]?down\b/g, 'shutdown'],
  [/\bli[- ]?po(ly)?\b/g, 'lipo'],
  [/\bli[- ]?ion\b/g, 'liion'],
  [/\bli[- ]?fe(po4?)?\b/g, 'life'],
  [/\bni[- ]?mh\b/g, 'nimh'],
  [/\bni[- ]?cd\b/g, 'nicd'],
  [/\b(li)?[- ]?hv\b/g, 'hv'],
  [/\bsync(hronous)?\.?[- ]rect(ification)?\b/g, 'syncrect'],
  [/\bsoft[- ]?start\b/g, 'soft start'],
  [/\b(u|s)bec\b/g, 'bec'],
  [/\bloss of (the )?signal\b|\bsignal[- ]lost\b|\blost signal\b|\bno signal\b/g, 'signal loss'],
  [/\b(bi|two)[- ]?(directional|way)\b/g, 'bidirectional'],
  [/\b(no\.?|nr\.?|number|#) of\b/g, 'number'],
  [/\bper cell\b/g, 'cell'],
  [/\bcounter[- ]?clock[- ]?wise\b/g, 'ccw'],
  [/\bclock[- ]?wise\b/g, 'cw'],
  [/\bnon[- ]/g, 'not '],
  [/\bf\s?\/\s?b\s?\/\s?r\b/g, 'forward brake reverse'],
  [/\bf\s?\/\s?r\b/g, 'forward reverse'],
];

/** Words that stand for one another in names. */
const SAME: Readonly<Record<string, string>> = {
  maximum: 'max',
  maximal: 'max',
  minimum: 'min',
  minimal: 'min',
  least: 'min',
  fwd: 'forward',
  forwards: 'forward',
  rev: 'reverse',
  reversing: 'reverse',
  backward: 'reverse',
  backwards: 'reverse',
  brk: 'brake',
  braking: 'brake',
  voltage: 'volt',
  volts: 'volt',
  v: 'volt',
  beeper: 'beep',
  temperature: 'temp',
  thermal: 'temp',
  heat: 'temp',
  frequency: 'freq',
  frequencies: 'freq',
  percentage: 'percent',
  pct: 'percent',
  automatic: 'auto',
  automatically: 'auto',
  propeller: 'prop',
  airscrew: 'prop',
  thr: 'throttle',
  trigger: 'trigger',
  accel: 'acceleration',
  exponential: 'expo',
  sensored: 'sensor',
  poles: 'pole',
  pairs: 'pair',
  magnets: 'magnet',
  amps: 'amp',
  amperage: 'amp',
  ampere: 'amp',
  recovery: 'return',
  recover: 'return',
  restore: 'return',
  resume: 'return',
  starting: 'start',
  startup: 'start',
  auxiliary: 'aux',
  logging: 'log',
  logger: 'log',
  recording: 'record',
  recorder: 'record',
  datalog: 'log',
  datalogging: 'log',
  transmitter: 'radio',
  tx: 'radio',
  rx: 'receiver',
  damp: 'damped',
  coasting: 'coast',
  governed: 'governor',
  gov: 'governor',
  protect: 'protection',
  guard: 'protection',
  dir: 'direction',
  behaviour: 'behavior',
  revs: 'rpm',
  degrees: 'degree',
  deg: 'degree',
  calibrate: 'calibration',
  accumulator: 'battery',
  batt: 'battery',
  limiting: 'limit',
  lock: 'lock',
  locked: 'lock',
  numbers: 'number',
};

/** Words that say nothing of what an item is. */
const FILLERS = new Set(
  'the a of for in to and with per by setting set adjust adjustment adjustable select selection selector value parameter item menu option choice config configuration programmable user your'.split(
    ' ',
  ),
);

/** The words of a printed name, each in the one form that the rules use. */
export function wordsOf(name: string): string[] {
  let text = name
    .normalize('NFKD')
    .toLowerCase()
    .replaceAll(/[’']s\b/g, '');
  for (const [phrase, words] of PHRASES) text = text.replaceAll(phrase, ` ${words} `);
  return text
    .replaceAll(UNIT_NOTE, ' ')
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .map((word) => SAME[word] ?? SAME[singular(word)] ?? singular(word))
    .filter((word) => !FILLERS.has(word));
}

/** A unit behind the name is not part of it: the scale is read off it. */
const UNIT_NOTE =
  /[([]\s*(%|v|volts?|v\s?\/\s?cell|°|deg(rees?)?|khz|hz|rpm|ms|us|µs|μs|s|sec(onds?)?|a|amps?|°?\s?[cf]|°\s?\/\s?0?[.,]1\s?s|%\s?\/\s?s)\s*[)\]]|%|°/gu;

const singular = (word: string): string =>
  word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
