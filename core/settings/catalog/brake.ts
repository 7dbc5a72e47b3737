import { BRAKE_LAWS } from '../choices';
import { named, numbered, percent } from '../setting';

/** With the trigger pushed. */
export const BRAKE = {
  brakeStrength: percent(
    'Brake strength',
    { lower: 'longer, softer', higher: 'shorter, may slide', safeSide: 'lower' },
    'The most braking at a full push of the trigger. Multiplies with the radio’s brake end point.',
    {
      alsoCalled: [
        'brake force',
        'brake strength',
        'max brake',
        'maximum brake',
        'brake power',
        'brake amount',
        'brake',
      ],
    },
  ),
  initialBrake: percent(
    'Initial brake',
    { lower: 'eases in', higher: 'snaps in', safeSide: 'lower' },
    'The braking at the first touch. Set equal to drag brake for no step.',
    {
      alsoCalled: ['initial brake', 'initial brake force', 'first brake'],
      specials: { sameAsDrag: 'same as drag brake' },
    },
  ),
  brakeMinimum: percent(
    'Brake minimum',
    { lower: 'feathers in', higher: 'never less than this', safeSide: 'lower' },
    'The least braking that a pushed trigger gives.',
    { alsoCalled: ['brake minimum', 'min brake', 'minimum brake'] },
  ),
  brakeCurve: percent(
    'Brake curve',
    { lower: 'finer at first', higher: 'firmer at first', safeSide: 'lower' },
    'The braking at half push: 50 is straight. With instant reverse it shapes reverse.',
    { alsoCalled: ['brake curve', 'brake linearity', 'brake expo'] },
  ),
  brakeFrequency: numbered(
    'Brake frequency',
    {
      unit: 'kHz',
      decimals: 1,
      bounds: [0.2, 64],
      lower: 'firm when slow',
      higher: 'fine, weak when slow',
      safeSide: 'nearest',
    },
    'How often per second the brake is switched on and off.',
    { alsoCalled: ['brake frequency', 'brake pwm'] },
  ),
  lowSpeedBrake: percent(
    'Low-speed brake assist',
    { lower: 'as it comes', higher: 'firmer when slow', safeSide: 'lower' },
    'More braking at low motor speed, where an electric brake is weak.',
    { alsoCalled: ['low speed brake', 'brake assist', 'low-speed assist'] },
  ),
  brakeLaw: named('Brake law', BRAKE_LAWS, 'How braking follows the trigger and the speed.', {
    alsoCalled: ['brake law', 'brake mode', 'brake mapping'],
  }),
} as const;
