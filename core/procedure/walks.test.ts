import { expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { factoryMemory } from '../device/simulatedEsc';
import { smallProfile, stayingProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { EscProfile } from '../esc/profile';
import { seededNumbers } from '../units/seeded';
import { escMachine } from './escMachine';
import { KEYS, type Config, type Input, type Machine, type Observed } from './language';
import { initialConfig, msToDeadline, stateOf, step, triggerOf } from './step';

const STEPS = 160;

/** Mostly what the state waits for, sometimes anything; time goes just short of what happens by itself, or to it. */
function nextInput(machine: Machine, config: Config, random: () => number): Input {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const wait = msToDeadline(machine, config);
  if (wait !== undefined && random() < 0.35)
    return { type: 'elapsed', ms: Math.round(wait * pick([0.5, 1, 1, 1])) };
  const codes = machine.menu.flatMap(({ code, stopCodes }) => [code, ...stopCodes]);
  const all: Input[] = [
    ...KEYS.flatMap((key): Input[] => [
      { type: 'down', key },
      { type: 'up', key },
    ]),
    { type: 'power', on: random() < 0.8 },
    { type: 'card', in: random() < 0.7 },
    { type: 'stick', micros: pick([1000, 1110, 1480, 1500, 1520, 1890, 2000]) },
    { type: 'code', digits: pick(codes) },
  ];
  const awaited = all.filter((input) =>
    stateOf(machine, config).on.some(({ on }) => input.type !== 'elapsed' && on === triggerOf(input)),
  );
  return pick(awaited.length > 0 && random() < 0.9 ? awaited : all);
}

const cueWords = (cue: Observed): string =>
  cue.type === 'lamp'
    ? `${cue.lamp} ${cue.pattern}`
    : cue.type === 'count'
      ? `${cue.of} ${cue.count} ${cue.how}`
      : cue.type === 'group'
        ? `${cue.of} ${cue.notes}`
        : cue.tone;

function walk(profile: EscProfile, seed: number): string[] {
  const machine = escMachine(profile);
  const random = seededNumbers(seed);
  let config = initialConfig(machine, factoryMemory(profile), 1500);
  const lines: string[] = [];
  for (let n = 0; n < STEPS; n += 1) {
    const input = nextInput(machine, config, random);
    const { config: after, observed } = step(machine, config, input);
    const { type, ...what } = input;
    const stored =
      after.memory === config.memory ? '' : ` | stored ${JSON.stringify(Object.values(after.memory))}`;
    if (after.state !== config.state || observed.length > 0 || stored !== '')
      lines.push(
        `${type} ${Object.values(what).join()} → ${after.state} ${after.itemCursor}/${after.stopCursor} ${observed.map(cueWords).join(', ')}${stored}`.trim(),
      );
    config = after;
  }
  return lines;
}

/**
 * What machines do when nobody guides the hand, from end to end. It proves nothing, and moves when one of them does:
 * `npx vitest run walks -u` takes over what was meant.
 */
it('no machine does otherwise without being meant to', async () => {
  const profiles = [
    ...ARCHETYPES.map(({ profile }) => profile),
    smallProfile(),
    stayingProfile(),
    toneProfile(),
  ];
  const lines = profiles.flatMap((profile, place) => ['', profile.name, ...walk(profile, 4711 + place)]);
  await expect(`${lines.join('\n').trim()}\n`).toMatchFileSnapshot('walks.txt');
});
