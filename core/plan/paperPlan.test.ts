import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../device/simulatedEsc';
import { handMediumOf, factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { legsFor, planLegs } from './loadPlan';
import { planOnPaper } from './paperPlan';

describe('a plan on paper', () => {
  const profile = smallProfile();
  const { channel } = defaultRig('tenthBuggy');
  const machine = escMachine(profile);
  const stick = rangeOf(channel);
  const start = initialConfig(machine, { ...factoryMemory(profile), range: stick }, stick.neutralMicros);
  const changes = [{ itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' }];
  const { legs } = found(planLegs(machine, start, legsFor(changes, true), stick, 'oneKey'));
  const paper = planOnPaper(profile, channel, factoryStops(profile), legs, handMediumOf(profile)!);

  it('names each value, what to do for it, and what answers', () => {
    const [store] = paper;
    expect(store!.title).toContain('→');
    expect(store!.steps.map(({ line }) => line)).toContain('Press set three times.');
    expect(store!.steps.every(({ answer }) => answer.length > 10)).toBe(true);
    expect(store!.countBack).toBeUndefined();
  });

  it('says at the end what has to be counted: a helper cannot know', () => {
    expect(paper[1]!.countBack).toMatch(/^How many white flashes\? It must be 4:/);
  });
});
