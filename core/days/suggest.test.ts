import { expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { READINGS, type ReadingKind } from '../runs/readings';
import { testRig } from '../runs/runs.fixture';
import type { Mover } from '../sensitivity/matters';
import { suggestedQuestions } from './suggest';

const profile = smallProfile();
const stops = factoryStops(profile);
const items = profile.items.filter(({ stops: all }) => all.length > 1).slice(0, 2);
const { tells }: ReadingKind = READINGS.stopMetres;
const [drill, numberId] = tells.wheels!;
const mover = (kind: Mover['kind'], id: string, label: string, share: number): Mover => ({
  kind,
  id,
  label,
  moves: [{ drill, numberId, name: 'Stop', unit: 'm', decimals: 2, now: 5, low: 5, high: 6, share }],
});
const suggest = (...movers: Mover[]) => suggestedQuestions(testRig, profile, stops, movers);
const [first, second] = items as [(typeof items)[0], (typeof items)[0]];

it('asks where a value moves a number much, and what decides it is only assumed', () => {
  const grip = mover('assumed', 'vehicle.grip', 'Grip', 0.3);
  const [only, ...others] = suggest(
    mover('item', first.id, first.label, 0.2),
    mover('item', second.id, second.label, 0.01),
    grip,
  );
  expect(others).toEqual([]);
  expect(only).toMatchObject({ itemId: first.id, reading: 'stopMetres', a: { stopId: stops[first.id] } });
  expect(only!.b.stopId).not.toBe(only!.a.stopId);
  expect(only!.because).toContain('20\u00a0%');
  expect(only!.because).toContain('grip');
});

it('asks nothing that the model knows already', () => {
  expect(suggest(mover('item', first.id, first.label, 0.5))).toEqual([]);
  expect(suggest(mover('item', first.id, first.label, 0.5), mover('assumed', 'x', 'X', 0.01))).toEqual([]);
});

it('asks first where both move it much', () => {
  const grip = mover('assumed', 'vehicle.grip', 'Grip', 0.3);
  const asked = suggest(
    mover('item', first.id, first.label, 0.1),
    mover('item', second.id, second.label, 0.9),
    grip,
  );
  expect(asked.map(({ itemId }) => itemId)).toEqual([second.id, first.id]);
});
