import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import type { Calibration } from '../calibration/calibration';
import {
  endpointState,
  openStationCount,
  stationStates,
  type EndpointFacts,
  type StationFacts,
  type StationState,
} from './stationStates';
import type { Verdict } from './verdicts/verdict';

const profile = smallProfile();
const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
const range = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const calibration: Calibration = {
  family: 'keyConfirmed',
  escNumber: 1,
  profileId: profile.id,
  source: 'radio',
  how: 'simulated',
  precaution: 'wheels clear',
  channel: rig.channel,
  before: profile.factoryRange,
  after: range,
  keptAt: '2026-01-01T00:00:00.000Z',
};
const hazard: Verdict = {
  id: 'packAgainstEsc',
  grade: 'hazard',
  setting: undefined,
  title: 'too many cells',
  sentence: '',
  remedies: [],
};
const all = ({
  changeCount = 0,
  verdicts = [],
  sheetCount = 0,
  behind = [],
  runCount = 0,
  toDrive,
  toPutBack = 0,
  ...facts
}: Partial<StationFacts & EndpointFacts>) =>
  stationStates({
    changeCount,
    verdicts,
    sheetCount,
    behind,
    runCount,
    toDrive,
    toPutBack,
    endpoints: endpointState({ rig, profile, range, calibrations: [calibration], ...facts }),
  });
const states = (facts: Partial<StationFacts & EndpointFacts>) =>
  Object.fromEntries(Object.entries(all(facts)).map(([id, { state }]) => [id, state]));

describe('the route line', () => {
  it('asks for the values of an event that is over, until they are back', () => {
    expect(all({ toPutBack: 2, sheetCount: 1 }).load).toEqual({ state: 'due', why: 'put back: 2 values' });
    expect(all({ toPutBack: 0, sheetCount: 1 }).load.state).toBe('done');
  });

  it('a new rig waits for its end points and for a draft', () => {
    expect(states({ calibrations: [], range: profile.factoryRange })).toEqual({
      rig: 'done',
      endpoints: 'due',
      tune: 'due',
      load: 'idle',
      runs: 'idle',
      sheets: 'idle',
    });
  });

  it('a draft makes Load due, and a kept sheet makes it done', () => {
    expect(states({ changeCount: 1 })).toMatchObject({ tune: 'done', load: 'due' });
    expect(states({ sheetCount: 1 })).toMatchObject({ load: 'done', sheets: 'done' });
  });

  it('a hazard blocks Tune, and Load only where there is something to load', () => {
    expect(states({ verdicts: [hazard] })).toMatchObject({ tune: 'blocked', load: 'idle' });
    expect(states({ verdicts: [hazard], changeCount: 1 })).toMatchObject({ load: 'blocked' });
  });

  it('a hazard that the driver takes upon himself blocks nothing', () => {
    const taken = { ...hazard, overridden: 'a contest' };
    expect(states({ verdicts: [taken], changeCount: 1 })).toMatchObject({ tune: 'done', load: 'due' });
  });

  it('a caution blocks nothing', () => {
    expect(states({ verdicts: [{ ...hazard, grade: 'caution' }], changeCount: 1 })).toMatchObject({
      load: 'due',
    });
  });

  it('a calibration goes stale when the radio changes, or the ESC holds another range', () => {
    const turned = { ...rig, channel: { ...rig.channel, brakeEndPointPercent: 80 } };
    expect(states({ rig: turned }).endpoints).toBe('stale');
    expect(states({ range: { ...range, forwardMicros: 1900 } }).endpoints).toBe('stale');
    expect(states({}).endpoints).toBe('done');
  });

  it('waits for a drive with what is on the ESC to be tried', () => {
    expect(all({ toDrive: 'Stopper 65 %', runCount: 1 }).runs).toEqual({
      state: 'due',
      why: 'drive it: Stopper 65 %',
    });
    expect(all({ runCount: 2 }).runs).toEqual({ state: 'done', why: '2 noted' });
  });

  it('says why in a few words, in the singular where it is one', () => {
    expect(all({ changeCount: 1 }).load.why).toBe('1 value differs');
  });
});

describe('how much there is to do', () => {
  const count = (...states: StationState[]): number => {
    const [rig, endpoints, tune, load, sheets] = states.map((state) => ({ state, why: '' }));
    const runs = { state: 'idle' as const, why: '' };
    return openStationCount({
      rig: rig!,
      endpoints: endpoints!,
      tune: tune!,
      load: load!,
      runs,
      sheets: sheets!,
    });
  };

  it('is the stations where something waits, and a hazard before all of them', () => {
    expect(count('done', 'due', 'done', 'stale', 'idle')).toBe(2);
    expect(count('done', 'done', 'done', 'idle', 'idle')).toBe(0);
    expect(count('done', 'done', 'blocked', 'idle', 'idle')).toBeGreaterThan(
      count('due', 'due', 'due', 'stale', 'due'),
    );
  });
});
