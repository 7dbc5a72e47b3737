import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../../archetypes/archetypes';
import { factoryStops, type StopByItem } from '../../esc/profile';
import { rangeOf } from '../../radio/pulse';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { escBehaviour } from '../escChain';
import { brakeMap } from './brakeMap';
import type { ResolvedWheels } from '../resolved';

const rig = defaultRig('tenthBuggy');
const { profile } = archetypeFor('tenthBuggy');
const behave = (stops: StopByItem) =>
  escBehaviour(profile, stops, rig.channel, rangeOf(rig.channel), rig.pack.cells);
const at = (endPointShare: number) =>
  brakeMap(
    resolveRig(rig, profile) as ResolvedWheels,
    profile,
    factoryStops(profile),
    behave,
    endPointShare,
  )!;

describe('the brake map', () => {
  const map = at(1);

  it('has every real pair of stops, and no other', () => {
    expect(map.rows.map(({ stop }) => stop.id)).toEqual(map.strength.stops.map(({ id }) => id));
    for (const { cells } of map.rows)
      expect(cells.map(({ stop }) => stop?.id)).toEqual(
        map.frequency?.stops.map(({ id }) => id) ?? [undefined],
      );
  });

  it('brakes more with every step of strength when slow, and less with every step of frequency (common practice)', () => {
    const slow = map.rows.map(({ cells }) => cells.map(({ force }) => force.slow));
    for (const [n, row] of slow.entries()) {
      expect(row).toEqual([...row].sort((a, b) => b - a));
      if (n > 0)
        for (const [place, force] of row.entries()) expect(force).toBeGreaterThan(slow[n - 1]![place]!);
    }
  });

  it('a radio that lets half the push through leaves less of every pair', () => {
    const half = at(0.5);
    for (const [n, { cells }] of map.rows.entries())
      for (const [place, { force }] of cells.entries())
        expect(half.rows[n]!.cells[place]!.force.slow).toBeLessThan(force.slow);
  });
});
