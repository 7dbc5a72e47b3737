import { useEffect, useState } from 'react';

export interface GamepadNow {
  /** What the controller calls itself. */
  name: string;
  axes: number[];
  /** How far each button is pressed, 0 to 1: triggers are among them. */
  buttons: number[];
}

/** The first game controller that the browser sees, read at every frame while it is wanted. */
export function useGamepad(wanted: boolean): GamepadNow | undefined {
  const [pad, setPad] = useState<GamepadNow>();
  useEffect(() => {
    // A browser without the interface, or a page that is not trusted with it, has no controllers.
    if (!wanted || !('getGamepads' in navigator)) return undefined;
    let frame = 0;
    const look = (): void => {
      const found = navigator.getGamepads().find((one) => one !== null);
      const axes = found ? [...found.axes] : [];
      const buttons = found ? found.buttons.map(({ value }) => value) : [];
      setPad((before) => {
        if (!found) return undefined;
        const same =
          before?.name === found.id &&
          axes.every((value, place) => value === before.axes[place]) &&
          buttons.every((value, place) => value === before.buttons[place]);
        return same ? before : { name: found.id, axes, buttons };
      });
      frame = requestAnimationFrame(look);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [wanted]);
  return wanted ? pad : undefined;
}
