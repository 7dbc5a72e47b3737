import { REVERSE_ENTRIES, RUNNING_MODES } from '../choices';
import { named, numbered, percent } from '../setting';

/** What the rear half of the trigger does besides braking. */
export const BACK_UP = {
  runningMode: named(
    'Running mode',
    RUNNING_MODES,
    'What pushing the trigger does. The same number means another mode on another ESC: copy meanings, not numbers.',
    {
      alsoCalled: ['running mode', 'run mode', 'drive mode', 'vehicle mode', 'operating mode'],
    },
  ),
  reverseEntry: named('Reverse entry', REVERSE_ENTRIES, 'What brings reverse in after braking.', {
    alsoCalled: ['reverse mode', 'reverse type', 'reverse entry', 'reverse'],
  }),
  reverseDelay: numbered(
    'Reverse delay',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 10],
      lower: 'backs up at once',
      higher: 'never by mistake',
      safeSide: 'higher',
    },
    'How long you must push at standstill before it backs up. Use at least 1 s if pumping the brake must not engage it.',
    { alsoCalled: ['reverse delay', 'reverse time'] },
  ),
  reversePower: percent(
    'Reverse power',
    { lower: 'creeps back', higher: 'as fast as forward', safeSide: 'lower' },
    'The most power that reverse may use.',
    {
      alsoCalled: [
        'reverse power',
        'max reverse',
        'reverse force',
        'maximum reverse',
        'max reverse force',
        'reverse speed',
      ],
    },
  ),
} as const;
