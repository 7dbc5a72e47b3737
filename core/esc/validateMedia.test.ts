import { describe, expect, it } from 'vitest';
import type { EscProfile } from './profile';
import { cardProfile, smallProfile, toneProfile } from './smallProfile.fixture';
import { validateProfile } from './validateProfile';

const sentences = (profile: EscProfile): string[] => validateProfile(profile).map(({ sentence }) => sentence);
const tones = (change: object): EscProfile => {
  const profile = toneProfile();
  return { ...profile, media: [{ ...profile.media[0]!, ...change }] };
};

describe('the media of a profile', () => {
  it('are sound in every built-in shape', () => {
    expect([smallProfile(), cardProfile(), toneProfile()].flatMap(sentences)).toEqual([]);
  });

  it('come once each', () => {
    const profile = smallProfile();
    profile.media = [...profile.media, ...profile.media];
    expect(sentences(profile)[0]).toContain("medium 'oneKey' is there twice");
  });

  it('need a group of notes for each item and each stop', () => {
    expect(sentences(tones({ itemNotes: ['lh', 'lhh'] }))[0]).toBe(
      'There are 2 groups of notes for 4 items: each needs one.',
    );
    expect(sentences(tones({ stopNotes: ['hl'] }))[0]).toContain('1 groups of notes for 5 stops');
  });

  it('need groups that the ear can tell apart, the way out among them', () => {
    expect(sentences(tones({ itemNotes: ['lh', 'lhh', 'lh', 'llhh'] }))[0]).toContain("'lh' is there twice");
    expect(sentences(tones({ exitNotes: 'llh' }))[0]).toContain("'llh' is there twice");
  });

  it('a tone menu lies behind the window of a stick at power-on, and nowhere else', () => {
    const profile = { ...toneProfile(), calibration: smallProfile().calibration };
    profile.factoryRange = smallProfile().factoryRange;
    expect(sentences(profile)[0]).toContain('follows the stick-up calibration');
  });

  it('full up lies above right down', () => {
    const profile = toneProfile();
    profile.calibration = { ...profile.calibration, lowToMicros: 1800 } as EscProfile['calibration'];
    expect(sentences(profile)[0]).toContain('full up must lie above');
  });

  it('only two points may have no brake side', () => {
    const oneWay = { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 1900 };
    expect(sentences({ ...toneProfile(), factoryRange: oneWay })).toEqual([]);
    expect(sentences({ ...smallProfile(), factoryRange: oneWay })[0]).toContain(
      'Brake must be below neutral',
    );
  });
});
