/** Guards, sensors and sounds. Limits: common practice unless said otherwise. */
import { endBellDegrees, isProven, PROVEN_DEGREES, totalAdvanceOf } from './proven';
import { formatNumber } from '../../units/format';
import {
  amountOf,
  choiceOf,
  moveToChoice,
  moveToNumber,
  moveToSaneCutoff,
  onPurpose,
  type Judge,
} from './verdict';

export const unguarded: Judge = (situation) => {
  const cutoff = amountOf(situation, 'cutoff');
  const heat = amountOf(situation, 'escTemperatureLimit');
  if (cutoff !== 0 || heat !== 0 || situation.rules !== undefined) return undefined;
  return {
    id: 'unguarded',
    grade: 'hazard',
    setting: 'escTemperatureLimit',
    title: 'Neither the cells nor the ESC are guarded.',
    sentence:
      'Cutoff and temperature limit are both off, and no event is set. A long run ruins the pack or burns the ESC.',
    remedies: [...moveToNumber(situation, 'escTemperatureLimit', 100), ...moveToSaneCutoff(situation)],
  };
};

const LOUD = 70;

export const loudTones: Judge = (situation) => {
  const volume = amountOf(situation, 'beaconVolume') ?? 0;
  if (volume <= LOUD) return undefined;
  return {
    id: 'loudTones',
    grade: 'caution',
    setting: 'beaconVolume',
    title: 'A beacon this loud can burn a stalled motor.',
    sentence: `Tones run current through the motor. At ${formatNumber(volume, 0)} % a motor held by grass or a hand gets hot. A lost model can catch fire.`,
    remedies: moveToNumber(situation, 'beaconVolume', 50),
  };
};

/** Start-up tones are over in a second or two: loud, they are only loud. */
export const loudStart: Judge = (situation) => {
  const volume = amountOf(situation, 'startVolume') ?? 0;
  if (volume <= LOUD) return undefined;
  return {
    id: 'loudStart',
    grade: 'note',
    setting: 'startVolume',
    title: 'It is loud at power-on.',
    sentence: `Start-up tones are at ${formatNumber(volume, 0)} %. They are short, so nothing gets hot. Softer is kinder to ears in the pits.`,
    remedies: moveToNumber(situation, 'startVolume', 50),
  };
};

export const silentPack: Judge = (situation) => {
  if (choiceOf(situation, 'idleBeeps') !== 'off') return undefined;
  return {
    id: 'silentPack',
    grade: 'note',
    setting: 'idleBeeps',
    title: 'A pack left plugged in stays silent.',
    sentence: 'Idle beeps are off. Nothing reminds you of a pack that runs down in the model overnight.',
    remedies: moveToChoice(situation, 'idleBeeps', 'on'),
  };
};

export const sensorsMissing: Judge = (situation) => {
  const type = choiceOf(situation, 'motorType');
  const { sensored } = situation.rig.motor;
  if (type === 'sensored' && !sensored)
    return {
      id: 'sensorsMissing',
      grade: 'hazard',
      setting: 'motorType',
      title: 'The ESC waits for a sensor that is not there.',
      sentence: 'It is set to sensored throughout. A motor without sensors will not turn, or stutters.',
      remedies: [
        ...moveToChoice(situation, 'motorType', 'sensorless'),
        { kind: 'station', label: 'Correct the motor', station: 'rig' },
      ],
    };
  if (type === 'sensorless' && sensored)
    return {
      id: 'sensorsUnused',
      grade: 'note',
      setting: 'motorType',
      title: 'The motor’s sensors are not used.',
      sentence: 'It starts without sensors although it has them. At a crawl it may stutter.',
      remedies: moveToChoice(situation, 'motorType', 'sensoredStart'),
    };
  return undefined;
};

export const muchAdvance: Judge = (situation) => {
  const endBell = endBellDegrees(situation);
  const total = totalAdvanceOf(situation);
  if (isProven(situation) || situation.rig.vehicleClass === 'sprint') return undefined;
  const isMeant =
    situation.rig.vehicleClass === 'modifiedCircuit' || onPurpose(situation, 'topSpeed', 'boost');
  const byEndBell = endBell > PROVEN_DEGREES;
  return {
    id: 'muchAdvance',
    grade: isMeant ? 'note' : 'caution',
    setting: byEndBell ? undefined : 'boost',
    title: 'So much timing runs hot, and the prediction is not proven here.',
    sentence: `${endBell > 0 ? 'The end bell, timing' : 'Timing'}, boost and turbo come to ${formatNumber(total, 0)}° at full throttle. Keep the first run short, then feel motor and ESC.`,
    remedies: [
      ...moveToNumber(situation, 'turbo', 0),
      ...moveToNumber(situation, 'boost', 0),
      ...moveToNumber(situation, 'advance', 0),
      ...(endBell > 0
        ? [{ kind: 'station' as const, label: 'Check the motor', station: 'rig' as const }]
        : []),
    ],
  };
};

export const specAdvance: Judge = (situation) => {
  if (situation.rig.vehicleClass !== 'specCircuit' || situation.rules?.noAdvance) return undefined;
  const setting = (['advance', 'boost', 'turbo'] as const).find((one) => (amountOf(situation, one) ?? 0) > 0);
  if (!setting) return undefined;
  return {
    id: 'specAdvance',
    grade: 'caution',
    setting,
    title: 'Spec classes run without timing.',
    sentence: `${formatNumber(amountOf(situation, setting)!, 0)}° are set. Check what your event’s rules allow.`,
    remedies: moveToNumber(situation, setting, 0),
  };
};
