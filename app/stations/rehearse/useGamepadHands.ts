import { useEffect, useEffectEvent, useRef } from 'react';
import { useGamepad } from '../../simulated/useGamepad';

interface Hands {
  move: (position: number) => void;
  /** The key that the first button presses, where the ESC has one. */
  press: (() => void) | undefined;
  release: (() => void) | undefined;
}

/** Less than this is a stick that rests. */
const DEADZONE = 0.08;
/** Where the standard layout of controllers has them. */
const TRIGGER_BUTTONS = { brake: 6, forward: 7 } as const;

/**
 * A game controller as throttle and key: the stick that is moved further, up is full; or its triggers, right is full and left is
 * brake. The first button is the ESC's key. Its sticks spring back: their middle is the throttle at rest.
 * @param rest where a released throttle stands
 */
export function useGamepadHands(
  wanted: boolean,
  rest: number,
  { move, press, release }: Hands,
): string | undefined {
  const pad = useGamepad(wanted);
  const sent = useRef({ position: rest, key: false });
  const position = pad ? positionOf(pad.axes, pad.buttons, rest) : rest;
  const key = (pad?.buttons[0] ?? 0) > 0.5;
  const send = useEffectEvent((): void => {
    if (position !== sent.current.position) move(position);
    if (key !== sent.current.key) (key ? press : release)?.();
    sent.current = { position, key };
  });
  const hasPad = pad !== undefined;
  useEffect(() => {
    if (hasPad) send();
  }, [hasPad, position, key]);
  return pad?.name;
}

/** Where the throttle is, −1 to 1, in hundredths: a stick trembles. */
export function positionOf(axes: readonly number[], buttons: readonly number[], rest: number): number {
  const forward = buttons[TRIGGER_BUTTONS.forward] ?? 0;
  const brake = buttons[TRIGGER_BUTTONS.brake] ?? 0;
  if (forward > DEADZONE || brake > DEADZONE) return throttleAt(forward - brake, rest);
  // Sticks of the standard layout: up is negative.
  const upright = [axes[1] ?? 0, axes[3] ?? 0].reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0);
  return Math.abs(upright) <= DEADZONE ? rest : throttleAt(-upright, rest);
}

/** Forward goes through all of a throttle, wherever it rests; back only where there is something behind its rest. */
const throttleAt = (forward: number, rest: number): number =>
  rounded(rest + forward * (forward > 0 ? 1 - rest : 1 + rest));

const rounded = (position: number): number => Math.max(-1, Math.min(1, Math.round(position * 100) / 100));
