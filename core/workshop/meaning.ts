/** What is printed beside a stop, read into the vocabulary. */
import { valueOnScale, type Scale } from '../esc/scale';
import type { SettingValue } from '../settings/setting';
import { readNumber } from '../units/readNumber';
import { isNamed, type Setting, type SettingId } from '../settings/vocabulary';

/** A number as manuals print it, with whatever unit stands behind it. A comma counts as a point. */
export function leadingNumber(text: string): { number: number; rest: string } | undefined {
  const found = /^[^\d\-−+.,]{0,3}\s*([-−+]?(?:\d+(?:[.,]\d+)?|[.,]\d+))\s*(.*)$/su.exec(text.trim());
  if (!found) return undefined;
  const number = readNumber(found[1]!);
  return number === undefined ? undefined : { number, rest: found[2]!.trim() };
}

const OFF_WORDS = /^(off|none|no|disabled?|without|not used|aus|keine?r?|-|–|—)$/i;

/** Whether a text says that the thing is switched off. */
export const saysOff = (text: string): boolean => OFF_WORDS.test(text.trim());

/** Whether a text says that a voltage is of the whole pack. */
export const saysPack = (text: string): boolean => /\b(pack|total|whole|battery)\b/i.test(text);

/**
 * A stop's value from what is printed or was typed in explanation of it.
 * @returns undefined where it says nothing that this setting understands
 */
export function meaningOf(setting: Setting, scale: Scale, text: string): SettingValue | undefined {
  const words = text.trim();
  if (setting.id === 'other') return { kind: 'label' };
  if (isNamed(setting)) {
    const choice = choiceFor(setting, words);
    return choice === undefined ? undefined : { kind: 'choice', choice };
  }
  if (saysOff(words)) return { kind: 'off' };
  const special = Object.entries(setting.specials ?? {}).find(
    ([id, name]) =>
      words.toLowerCase() === name ||
      words.toLowerCase() === id.toLowerCase() ||
      (id === 'sameAsDrag' && /drag/i.test(words)) ||
      (id === 'instant' && /^instant|^at once/i.test(words)) ||
      (id === 'auto' && /^auto/i.test(words)),
  );
  if (special) return { kind: 'choice', choice: special[0] };
  if (scale === 'curve') return curveFrom(words);
  const ofPack = setting.id === 'cutoff' && saysPack(words);
  const read = leadingNumber(ofPack ? words.replace(/^[^\d]+/, '') : words);
  if (!read) return undefined;
  if (ofPack) return { kind: 'packVolts', value: read.number };
  return valueOnScale(setting, scale, read.number);
}

function curveFrom(words: string): SettingValue | undefined {
  const numbers = [...words.matchAll(/\d+(?:[.,]\d+)?/g)].map(([n]) => readNumber(n)!);
  if (numbers.length === 0 || numbers.length % 2 === 1 || numbers.length > 16) return undefined;
  const points = Array.from(
    { length: numbers.length / 2 },
    (_, n) => [numbers[2 * n]!, numbers[2 * n + 1]!] as const,
  );
  return { kind: 'curve', points };
}

type Test = readonly [choice: string, test: RegExp];

/** Words by which manuals print the choices of a setting, the narrower first. Common practice and from memory. */
const CHOICE_WORDS: Partial<Record<SettingId, readonly Test[]>> = {
  runningMode: [
    ['forwardBrakeReverse', /brake.*(rev|back)|(rev|back).*brake|f\/?b\/?r/i],
    ['forwardReverse', /(f|ahead|forward).*(rev|back|astern)|f\/?r\b|rock|crawl|at once|both/i],
    ['forwardBrake', /brake|f\/?b\b/i],
    ['forward', /forward|ahead|one.?way/i],
  ],
  rotation: [
    ['reversed', /rev|counter|ccw|backward|opposite/i],
    ['normal', /norm|forward|cw|clock/i],
  ],
  motorType: [
    ['sensoredStart', /start|hybrid|smart|then|auto/i],
    ['sensorless', /less|without|no sensor/i],
    ['brushed', /brushed/i],
    ['sensored', /sensor/i],
  ],
  cutoffAction: [
    ['rampDown', /ramp|slow(ly)? down|gradual/i],
    ['stepDown', /step/i],
    ['reduce', /reduc|soft|less|half|limit/i],
    ['stop', /stop|hard|cut|off/i],
  ],
  cutoffReturn: [
    ['returns', /return|recover|again|back|restor/i],
    ['stays', /stay|latch|until|no/i],
  ],
  chemistry: [
    ['lihv', /hv|high/i],
    ['life', /life|fepo|iron/i],
    ['liion', /ion/i],
    ['nimh', /ni/i],
    ['auto', /auto/i],
    ['lipo', /li/i],
  ],
  reverseEntry: [
    ['doubleTap', /double|second|twice|2x/i],
    ['delayed', /delay|wait/i],
    ['instant', /instant|at once|direct|single/i],
  ],
  fan: [
    ['auto', /auto|temp|heat/i],
    ['on', /on|always/i],
  ],
  signalLossAction: [
    ['brake', /brake/i],
    ['hold', /hold|keep/i],
    ['stop', /off|stop|cut/i],
  ],
  governor: [
    ['setRpm', /set|fixed|store/i],
    ['off', /off|none|no/i],
    ['throttle', /throttle|stick|on/i],
  ],
  brakeLaw: [
    ['hybrid', /hybrid/i],
    ['constant', /const|torque/i],
    ['linear', /linear|normal/i],
  ],
  calibrationLock: [
    ['off', /lock|off|no|fixed/i],
    ['on', /allow|on|free|yes/i],
  ],
};

const ON_OFF_WORDS: readonly Test[] = [
  ['off', /^(off|no|disabled?|0|inactive|non.*)$/i],
  ['on', /^(on|yes|enabled?|1|active)$/i],
];

/** The choice of a named setting that a printed word stands for; undefined where none is certain. */
export function choiceFor(setting: Setting, words: string): string | undefined {
  const choices = setting.choices ?? {};
  if (Object.hasOwn(choices, words)) return words;
  const exact = Object.entries(choices).find(([, name]) => name.toLowerCase() === words.toLowerCase());
  if (exact) return exact[0];
  if (setting.id === 'cellCount') return /auto|calc|count/i.test(words) ? 'auto' : cellsIn(words, choices);
  const tests = CHOICE_WORDS[setting.id] ?? ('on' in choices ? ON_OFF_WORDS : []);
  return tests.find(([, test]) => test.test(words))?.[0];
}

function cellsIn(words: string, choices: Readonly<Record<string, string>>): string | undefined {
  const count = /\d+/.exec(words)?.[0];
  return count !== undefined && Object.hasOwn(choices, count) ? count : undefined;
}
