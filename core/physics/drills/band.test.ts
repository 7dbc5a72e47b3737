import { describe, expect, it } from 'vitest';
import { factoryStops, itemById } from '../../esc/profile';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { escBehaviour } from '../escChain';
import { alternativesTo, bandOf } from './band';
import { runDrill } from './runDrill';

const profile = smallProfile();
const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
const believed = factoryStops(profile);
const run = (stops: Readonly<Record<string, string>>) =>
  runDrill(
    'brake',
    resolveRig(rig, profile),
    escBehaviour(profile, stops, rig.channel, profile.factoryRange, rig.pack.cells),
  );

describe('the band of an unknown value', () => {
  it('tries every other stop of what is unknown, one at a time', () => {
    const unknown = [itemById(profile, 'bite')];
    const tried = alternativesTo(profile, believed, unknown).map(({ bite }) => bite);
    expect(tried).toEqual(['bite-1', 'bite-3', 'bite-4', 'bite-5']);
  });

  it('holds the trace and the numbers of every stop that it may be', () => {
    const drills = [believed, ...alternativesTo(profile, believed, [itemById(profile, 'bite')])].map(run);
    const band = bandOf(drills);
    for (const { points } of drills) {
      points.forEach(({ y }, place) => {
        expect(y).toBeGreaterThanOrEqual(band.points[place]!.low);
        expect(y).toBeLessThanOrEqual(band.points[place]!.high);
      });
    }
    const stop = band.numbers.stop!;
    expect(stop.low).toBeLessThan(stop.high);
  });

  it('is nothing where all is known', () => {
    expect(alternativesTo(profile, believed, [])).toEqual([]);
    expect(bandOf([run(believed)]).numbers).toEqual({});
  });
});
