import { MEDIA } from '#core/esc/media';
import { handMediumOf } from '#core/esc/profile';
import { writeCode } from '#core/setUps/code';
import type { SetUp } from '#core/setUps/setUp';
import { qrPicture } from '#server/qrCode';
import type { Bench } from '#server/repositories/rigs';

/** All that stands on the card of a set-up, and nothing else of its rig. */
export function cardOf({ rig, profile }: Pick<Bench, 'rig' | 'profile'>, setUp: SetUp) {
  const code = writeCode(setUp);
  const medium = handMediumOf(profile);
  return {
    rigName: rig.name,
    escName: profile.name,
    setBy: medium && MEDIA[medium.family].words,
    setUp,
    code,
    picture: qrPicture(code),
  };
}

export type Card = ReturnType<typeof cardOf>;
