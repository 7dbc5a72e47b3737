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
    name: sketch.name.trim() === '' ? '?' : sketch.name,
    items: sketch.items.map((item) => ({ ...item, suggestion: '' })),
  };
  const whole = readSketch(trusting);
  if (whole.ok) return { profile: whole.value, left: 0 };
  const wrong = new Set(whole.problems.flatMap(({ path }) => /^items\.(\d+)/.exec(path)?.[1] ?? []));
  const { ties } = newItem('', '');
  const sound = trusting.items
    .filter((_, place) => !wrong.has(String(place)))
    .map((item) => ({ ...item, ties }));
  const part = readSketch({ ...trusting, items: sound });
  return part.ok ? { profile: part.value, left: sketch.items.length - sound.length } : undefined;
}
