import { useEffect, useState } from 'react';

export interface GamepadNow {
  /** What the controller calls itself. */
  name: string;
  axes: number[];
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
      setPad((before) => {
        if (!found) return undefined;
        const same = before?.name === found.id && axes.every((value, place) => value === before.axes[place]);
        return same ? before : { name: found.id, axes };
      });
      frame = requestAnimationFrame(look);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [wanted]);
  return wanted ? pad : undefined;
}
