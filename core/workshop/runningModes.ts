/** A running mode as manuals print it: any usual abbreviation, order and separator. */
import type { RunningMode } from '../settings/choices';

const PARTS: Readonly<Record<string, 'forward' | 'brake' | 'reverse'>> = {
  f: 'forward',
  fwd: 'forward',
  fw: 'forward',
  forward: 'forward',
  forwards: 'forward',
  ahead: 'forward',
  b: 'brake',
  br: 'brake',
  brk: 'brake',
  brake: 'brake',
  brakes: 'brake',
  braking: 'brake',
  r: 'reverse',
  rev: 'reverse',
  reverse: 'reverse',
  reversing: 'reverse',
  back: 'reverse',
  backward: 'reverse',
  backwards: 'reverse',
  astern: 'reverse',
};

/** Words between them that say nothing more. */
const BETWEEN = new Set([
  'and',
  'then',
  'with',
  'plus',
  'mode',
  'only',
  'by',
  'after',
  'the',
  'delayed',
  'normal',
  'running',
]);

/**
 * @returns undefined where it is not certain: an unknown word, or a mode that may or may not brake
 */
export function runningModeOf(printed: string): RunningMode | undefined {
  const words = printed
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);
  const text = words.join(' ');
  if (/^(rock )?(crawler|crawling|crawl)( mode)?$/.test(text)) return 'forwardReverse';
  if (/^(one|single) (way|direction)( mode)?$/.test(text)) return 'forward';
  if (text === 'with reverse') return 'forwardBrakeReverse';
  const named = new Set<string>();
  const denied = new Set<string>();
  let isAtOnce = false;
  for (let n = 0; n < words.length; n += 1) {
    const word = words[n]!;
    const part = PARTS[word];
    if (word === 'at' && words[n + 1] === 'once') {
      isAtOnce = true;
      n += 1;
    } else if (word === 'direct' || word === 'instant') isAtOnce = true;
    else if ((word === 'without' || word === 'no') && PARTS[words[n + 1] ?? '']) {
      denied.add(PARTS[words[n + 1]!]!);
      n += 1;
    } else if (part) named.add(part);
    else if (!BETWEEN.has(word)) return undefined;
  }
  return modeOf(named, denied, isAtOnce);
}

function modeOf(
  named: ReadonlySet<string>,
  denied: ReadonlySet<string>,
  isAtOnce: boolean,
): RunningMode | undefined {
  const brakes = named.has('brake');
  const backs = named.has('reverse');
  if (named.size === 0) return denied.has('reverse') ? 'forwardBrake' : undefined;
  if (brakes && backs) return isAtOnce ? undefined : 'forwardBrakeReverse';
  if (backs && named.has('forward'))
    return denied.has('brake') || isAtOnce || denied.size === 0 ? 'forwardReverse' : undefined;
  if (backs) return isAtOnce ? 'forwardReverse' : undefined;
  if (brakes) return 'forwardBrake';
  return denied.has('reverse') && !denied.has('brake') ? undefined : 'forward';
}
