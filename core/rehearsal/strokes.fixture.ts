/** Everything that a hand can do at a bench in which no key is down, read off the machine's own edges. */
import { KEYS, type HandInput, type Machine } from '../procedure/language';
import { edgeFor, msToDeadline, stateOf, step } from '../procedure/step';
import type { Deed, PracticeBench } from './bench';

const MOST_HOLDS = 2;

export function strokesAt(bench: PracticeBench): Deed[][] {
  const { machine, config } = bench.esc;
  const takes = (input: HandInput): boolean => edgeFor(machine, config, input) !== undefined;
  const deed = (input: Exclude<HandInput, { type: 'stick' }>): Deed => ({ do: 'esc', input });
  const keys = KEYS.filter((key) => takes({ type: 'down', key })).flatMap((key) => [
    [deed({ type: 'down', key }), deed({ type: 'up', key })],
    ...holds(bench, machine, key).map((ms): Deed[] => [
      deed({ type: 'down', key }),
      { do: 'wait', ms },
      deed({ type: 'up', key }),
    ]),
  ]);
  const switches = [
    { type: 'power', on: true },
    { type: 'power', on: false },
    { type: 'card', in: true },
    { type: 'card', in: false },
  ] as const;
  const positions = [-1, 0, 0.95, 1];
  const wait = msToDeadline(machine, config);
  return [
    ...keys,
    ...switches.filter(takes).map((input) => [deed(input)]),
    ...positions.map((position): Deed[] => [{ do: 'throttle', position }]),
    ...codesAt(machine, bench).map((digits) => [deed({ type: 'code', digits })]),
    ...(wait === undefined ? [] : [[{ do: 'wait' as const, ms: wait + 50 }]]),
  ];
}

/** The times after which something happens by itself while a key is down. */
function holds(bench: PracticeBench, machine: Machine, key: (typeof KEYS)[number]): number[] {
  const found: number[] = [];
  let config = step(machine, bench.esc.config, { type: 'down', key }).config;
  let held = 0;
  while (found.length < MOST_HOLDS) {
    const wait = msToDeadline(machine, config);
    if (wait === undefined) break;
    held += wait;
    found.push(held);
    config = step(machine, config, { type: 'elapsed', ms: wait }).config;
    if (!stateOf(machine, config).keyDown) break;
  }
  return found;
}

function codesAt(machine: Machine, { esc: { config } }: PracticeBench): string[] {
  const guards = stateOf(machine, config).on.map(({ guard }) => guard);
  if (!guards.includes('codeIsItem') && !guards.includes('codeIsStop')) return [];
  const codes = guards.includes('codeIsStop')
    ? machine.menu[config.itemCursor]!.stopCodes
    : machine.menu.map(({ code }) => code);
  return [...codes.slice(0, 3), '987'];
}
