import type { EscProfile } from '#core/esc/profile';
import type { Problem } from '#core/units/problem';
import { madeForBy, type MadeFor } from '#core/workshop/madeFor';
import { readSketch } from '#core/workshop/readSketch';
import { freshId, newItem, type Sketch, type SketchItem } from '#core/workshop/sketch';
import { useEffect, useMemo, useState } from 'react';

export interface SketchBench {
  sketch: Sketch;
  /** The profile that it makes, where it is sound. */
  profile: EscProfile | undefined;
  problemAt: (path: string) => string | undefined;
  problems: Problem[];
  /** What the ESC is made for: as said, else as its items say. */
  madeFor: MadeFor;
  /** Whether work from an earlier visit was found. */
  wasKept: boolean;
  set: (change: Partial<Sketch>) => void;
  setItem: (place: number, item: SketchItem) => void;
  addItem: () => void;
  removeItem: (place: number) => void;
  moveItem: (place: number, by: -1 | 1) => void;
  startOver: () => void;
  /** Shows every problem at its field, even where nothing was typed yet. */
  look: () => void;
}

const KEY = 'live-tune-sketch-1-';

/**
 * The sketch on the workshop's bench. It is kept in this browser at every change, so that neither a reload nor a
 * server that is away takes anything of it.
 * @param name tells one sketch from another
 */
export function useSketch(start: Sketch, name: string, takenIds: readonly string[]): SketchBench {
  const [sketch, setSketch] = useState(start);
  const [wasKept, setWasKept] = useState(false);
  const [looked, setLooked] = useState(false);
  useEffect(() => {
    const kept = readKept(name);
    if (!kept) return;
    // The server cannot know what this browser has kept: it comes in after the first drawing.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setSketch(kept);
    setWasKept(true);
  }, [name]);
  const read = useMemo(() => readSketch(sketch, takenIds), [sketch, takenIds]);
  const problems = read.ok ? [] : read.problems;
  const change = (next: Sketch): void => {
    setSketch(next);
    localStorage.setItem(KEY + name, JSON.stringify(next));
  };
  const setItems = (items: readonly SketchItem[]): void => change({ ...sketch, items });
  return {
    sketch,
    profile: read.ok ? read.value : undefined,
    problems,
    madeFor: sketch.madeFor === '' ? madeForBy(sketch.items.map(({ label }) => label)) : sketch.madeFor,
    // Nobody is told off for what he has not begun with.
    problemAt: (path) =>
      sketch === start && !looked ? undefined : problems.find((problem) => problem.path === path)?.sentence,
    wasKept,
    set: (part) => change({ ...sketch, ...part }),
    setItem: (place, item) => setItems(sketch.items.map((old, n) => (n === place ? item : old))),
    addItem: () =>
      setItems([
        ...sketch.items,
        newItem(
          freshId(
            'item',
            sketch.items.map(({ id }) => id),
          ),
          '',
        ),
      ]),
    removeItem: (place) => setItems(sketch.items.filter((_, n) => n !== place)),
    moveItem: (place, by) => {
      const items = [...sketch.items];
      const [moved] = items.splice(place, 1);
      items.splice(Math.max(0, place + by), 0, moved!);
      setItems(items);
    },
    look: () => setLooked(true),
    startOver: () => {
      forgetSketch(name);
      setSketch(start);
      setWasKept(false);
    },
  };
}

/** Forgets what was kept, once the server has it. */
export const forgetSketch = (name: string): void => localStorage.removeItem(KEY + name);

function readKept(name: string): Sketch | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY + name) ?? 'null') as Sketch | null;
    return kept ? asNow(kept) : undefined;
  } catch {
    return undefined;
  }
}

/** What came since an older version kept a sketch. */
const NEW_PARTS = {
  madeFor: '',
  presets: [],
  fullSignalShows: '',
  bankItemId: '',
  fixedBankStopIds: [],
} as const;
const NEW_TIES = { existsWhile: [], alsoSets: null, commandStopIds: [] };
const NEW_ITEM_PARTS = {
  asked: [],
  number: null,
  curvePoints: '',
  typed: '',
  typedAs: '',
  inBank: false,
} as const;

const asNow = (kept: Sketch): Sketch => ({
  ...NEW_PARTS,
  ...kept,
  items: kept.items.map((item) => ({ ...NEW_ITEM_PARTS, ...item, ties: { ...NEW_TIES, ...item.ties } })),
});
