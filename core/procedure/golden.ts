/**
 * Golden scripts: a hand's gestures and what must be seen, heard and kept, written in plain lines.
 *
 * ```
 * power on            a gesture: power on, power off, wait 1500, stick 1500, card in, card out
 * down, up            the set key; another one is named: down reset
 * press value         down and up at once
 * type 096            digits on a key pad
 * = lamp amber blinking   seen since the last gesture line, in this order among others
 * = count amber 3     three flashes; `lit items 3` is the third lamp of a row, `beeps tone 2` two beeps,
 *                     `text line 3` the third in words
 * = group llh         a group of notes
 * = tone long
 * : state running     where the machine is now
 * : stop b2 soft      what the ESC keeps for an item
 * : range 1000 1500 2000   brake, neutral, forward
 * ```
 * Empty lines and lines that begin with # are passed over.
 */
import type { Config, EscMemory, Input, KeyId, Machine, Observed } from './language';
import { initialConfig, step } from './step';

/**
 * Plays a script against a machine.
 * @returns a sentence for each line that was not so; empty where the machine does what the script says
 * @throws {Error} on a line that is not in the language
 */
export function playGolden(machine: Machine, memory: EscMemory, script: string): string[] {
  let config = initialConfig(machine, memory, memory.range.neutralMicros);
  let seen: string[] = [];
  const faults: string[] = [];
  let lastWasCheck = false;
  script.split('\n').forEach((raw, index) => {
    const line = raw.trim();
    if (line === '' || line.startsWith('#')) return;
    const fault = (what: string): void => void faults.push(`line ${index + 1}: ${what}`);
    if (line.startsWith('=')) {
      const wanted = line.slice(1).trim();
      const place = seen.indexOf(wanted);
      if (place === -1) fault(`expected '${wanted}', saw ${seen.join(', ') || 'nothing'}`);
      else seen = seen.slice(place + 1);
      lastWasCheck = true;
    } else if (line.startsWith(':')) {
      const wanted = line.slice(1).trim();
      const actual = factOf(config, wanted);
      if (actual !== wanted) fault(`expected '${wanted}', is '${actual}'`);
      lastWasCheck = true;
    } else {
      if (lastWasCheck) seen = [];
      lastWasCheck = false;
      for (const input of inputsOf(line)) {
        const next = step(machine, config, input);
        config = next.config;
        seen.push(...next.observed.map(observedWords));
      }
    }
  });
  return faults;
}

function inputsOf(line: string): Input[] {
  const [word, argument] = line.split(/\s+/);
  const key = (argument ?? 'set') as KeyId;
  switch (word) {
    case 'down':
    case 'up':
      return [{ type: word, key }];
    case 'press':
      return [
        { type: 'down', key },
        { type: 'up', key },
      ];
    case 'power':
      return [{ type: 'power', on: argument === 'on' }];
    case 'card':
      return [{ type: 'card', in: argument === 'in' }];
    case 'wait':
      return [{ type: 'elapsed', ms: Number(argument) }];
    case 'stick':
      return [{ type: 'stick', micros: Number(argument) }];
    case 'type':
      return [{ type: 'code', digits: argument! }];
    default:
      throw new Error(`not a gesture: '${line}'`);
  }
}

function observedWords(cue: Observed): string {
  switch (cue.type) {
    case 'lamp':
      return `lamp ${cue.lamp} ${cue.pattern}`;
    case 'count':
      return `${cue.how === 'flashes' ? 'count' : cue.how} ${cue.lamp} ${cue.count}`;
    case 'group':
      return `group ${cue.notes}`;
    case 'tone':
      return `tone ${cue.tone}`;
  }
}

function factOf(config: Config, wanted: string): string {
  const [kind, argument] = wanted.split(/\s+/);
  const { range, stops } = config.memory;
  if (kind === 'state') return `state ${config.state}`;
  if (kind === 'range') return `range ${range.brakeMicros} ${range.neutralMicros} ${range.forwardMicros}`;
  if (kind === 'stop') return `stop ${argument} ${stops[argument!]}`;
  throw new Error(`not a fact: '${wanted}'`);
}
