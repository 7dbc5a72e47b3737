import type { EndPointFamily, Medium } from '../esc/media';
import type { EscProfile } from '../esc/profile';
import { keyConfirmedPart } from './families/keyConfirmed';
import { stickAtPowerOnPart } from './families/stickAtPowerOn';
import type { Cue, Machine, ToneTable } from './language';
import { lampCardPart } from './media/lampCard';
import { oneKeyPart } from './media/oneKey';
import { stickTonesPart, toneTable } from './media/stickTones';
import { joinParts, type Part } from './part';
import { powerStates } from './power';

/** The whole machine of an ESC: power, its calibration family and its media, from its profile. */
export function escMachine(profile: EscProfile): Machine {
  const { calibration, media, items } = profile;
  const part = joinParts([familyPart(profile), ...media.flatMap(mediumPart)]);
  return {
    initial: 'off',
    states: { ...powerStates(profile.bootMs, restingLamp(profile), part), ...part.states },
    menu: items.map((item) => ({
      itemId: item.id,
      stopIds: item.stops.map((stop) => stop.id),
      factoryStopId: item.factoryStopId,
    })),
    tones: tonesOf(media),
    leastSpanMicros: calibration.family === 'keyConfirmed' ? calibration.leastSpanMicros : 0,
    highFromMicros: calibration.family === 'stickAtPowerOn' ? calibration.highFromMicros : Infinity,
    lowToMicros: calibration.family === 'stickAtPowerOn' ? calibration.lowToMicros : -Infinity,
    armingToleranceMicros: profile.deadbandMicrosEachSide,
  };
}

function familyPart({ calibration, media }: EscProfile): Part {
  switch (calibration.family) {
    case 'keyConfirmed':
      return keyConfirmedPart(calibration);
    case 'stickAtPowerOn': {
      const tones = media.some((medium) => medium.family === 'stickTones');
      return stickAtPowerOnPart(calibration, tones);
    }
  }
}

function mediumPart(medium: Medium): Part[] {
  switch (medium.family) {
    case 'oneKey':
      return [oneKeyPart(medium)];
    case 'lampCard':
      return [lampCardPart(medium)];
    case 'stickTones':
      return [stickTonesPart(medium)];
    // No hand works it, so the machine knows nothing of it.
    case 'link':
      return [];
  }
}

function tonesOf(media: Medium[]): ToneTable | undefined {
  const medium = media.find((m) => m.family === 'stickTones');
  return medium && toneTable(medium);
}

/** The lamp on the ESC itself is dark while it drives. */
function restingLamp({ calibration, media }: EscProfile): Cue[] {
  const lamp = lampOf(calibration) ?? media.find((m) => m.family === 'oneKey')?.menuLamp;
  return lamp === undefined ? [] : [{ type: 'lamp', lamp, pattern: 'off' }];
}

const lampOf = (calibration: EndPointFamily): string | undefined =>
  calibration.family === 'keyConfirmed' ? calibration.lamp : undefined;
