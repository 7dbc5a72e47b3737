import type { EscProfile } from '../esc/profile';
import { readSketch } from './readSketch';
import { newItem, type Sketch } from './sketch';

export interface SketchPreview {
  profile: EscProfile;
  /** Items that are not in order yet, and so are not in it. */
  left: number;
}

/**
 * What a sketch will be, as far as it goes: suggestions taken as they stand, without the items that are not in
 * order yet. For looking at only.
 * @returns undefined where there is not one item to show, or what it stands is not in order
 */
export function previewOf(sketch: Sketch): SketchPreview | undefined {
  const trusting: Sketch = {
    ...sketch,
    id: '',
    presets: [],
    name: sketch.name.trim() === '' ? '?' : sketch.name,
    items: sketch.items.map((item) => ({ ...item, suggestion: '' })),
  };
  const part = withoutWrongItems(trusting);
  return (
    part && {
      ...part,
      left: sketch.items.length - new Set(part.profile.items.map(({ number }) => number)).size,
    }
  );
}

/** What is left once the items that are not in order are taken out; a deeper look finds more of them. */
function withoutWrongItems(sketch: Sketch): { profile: EscProfile } | undefined {
  const read = readSketch(sketch);
  if (read.ok) return { profile: read.value };
  const wrong = new Set(read.problems.flatMap(({ path }) => /^items\.(\d+)/.exec(path)?.[1] ?? []));
  if (wrong.size === 0) return undefined;
  const { ties } = newItem('', '');
  const items = sketch.items.filter((_, place) => !wrong.has(String(place)));
  return withoutWrongItems({ ...sketch, items: items.map((item) => ({ ...item, ties })) });
}
