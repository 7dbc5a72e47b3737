import { numbered, percent } from '../setting';

/** With the trigger part of the way. */
export const MID_PULL = {
  throttleCurve: percent(
    'Throttle curve',
    { lower: 'finer when slow', higher: 'livelier when slow', safeSide: 'lower' },
    'The output at half trigger: 50 is straight. Some makers number it the other way round, or call 1 straight.',
    {
      alsoCalled: [
        'throttle linearity',
        'throttle curve',
        'throttle expo',
        'forward curve',
        'linearity',
        'compression',
      ],
    },
  ),
  driveFrequency: numbered(
    'Drive frequency',
    {
      unit: 'kHz',
      decimals: 1,
      bounds: [0.5, 128],
      lower: 'more direct',
      higher: 'smoother, quieter',
      safeSide: 'nearest',
    },
    'How often per second the ESC switches the motor at part throttle. An ESC is coolest at about 6 to 16 kHz.',
    {
      alsoCalled: [
        'pwm',
        'pwm frequency',
        'drive frequency',
        'motor frequency',
        'switching frequency',
        'carrier',
      ],
    },
  ),
  forwardPower: percent(
    'Forward power',
    { lower: 'slower at the top', higher: 'full speed', safeSide: 'lower' },
    'The most duty that forward may use. Useful on a slippery track.',
    {
      alsoCalled: [
        'max forward',
        'maximum power',
        'max power',
        'forward power',
        'maximum forward force',
        'throttle limit',
      ],
    },
  ),
} as const;
