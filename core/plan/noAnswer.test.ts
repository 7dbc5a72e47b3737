import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { MEDIA, type MediumFamily } from '../esc/media';
import { smallProfile, toneProfile, withLock } from '../esc/smallProfile.fixture';
import { noAnswerCauses } from './noAnswer';

const looks = (profile = smallProfile(), family: MediumFamily = 'oneKey'): string[] =>
  noAnswerCauses(profile, family).map(({ look }) => look);

describe('an ESC that does not answer', () => {
  it.each(Object.keys(MEDIA) as MediumFamily[])('by %s has several causes, none named twice', (family) => {
    const found = looks(smallProfile(), family);
    expect(found.length).toBeGreaterThanOrEqual(4);
    expect(new Set(found).size).toBe(found.length);
    // Whatever the medium, an empty pack is among them.
    expect(found.some((look) => look.includes('pack'))).toBe(true);
  });

  it('with a card is first asked for the order of power', () => {
    expect(looks(smallProfile(), 'lampCard')[0]).toMatch(/off when the card went in/);
  });

  it('with the stick may be locked only where the ESC has a lock', () => {
    expect(looks(toneProfile(), 'stickTones').join()).not.toMatch(/locked/);
    expect(looks(withLock(toneProfile()), 'stickTones').at(-1)).toMatch(/locked/);
  });

  it('is asked for the socket that its manual names', () => {
    const boxed = ARCHETYPES.find(({ profile }) => profile.media.some(({ family }) => family === 'textBox'))!;
    const medium = boxed.profile.media.find((m) => m.family === 'textBox')!;
    expect(noAnswerCauses(boxed.profile, 'textBox')[0]!.remedy).toContain(medium.plug);
  });
});
