import { ON_OFF } from '../choices';
import { named, numbered, percent } from '../setting';

/** What happens while the trigger goes back to neutral and rests there. */
export const LET_GO = {
  freewheel: named(
    'Damped switching',
    ON_OFF,
    'Whether the ESC brakes the motor between two pulses, so it follows a falling throttle at once. On for smoothness and multirotors.',
    {
      alsoCalled: ['freewheel', 'free wheel', 'active freewheel', 'damped', 'synchronous rectification'],
    },
  ),
  dragBrake: percent(
    'Drag brake',
    { lower: 'rolls on', higher: 'slows by itself', safeSide: 'lower' },
    'Braking applied while the trigger rests at neutral. It slows; it cannot hold a standing model.',
    {
      alsoCalled: [
        'drag brake',
        'drag',
        'neutral brake',
        'auto brake',
        'automatic brake',
        'drag brake force',
      ],
    },
  ),
  dragRamp: numbered(
    'Drag ramp',
    {
      unit: 's',
      decimals: 2,
      bounds: [0, 5],
      lower: 'comes at once',
      higher: 'comes gently',
      safeSide: 'higher',
    },
    'How long drag brake takes to come in after you let go. “Fast” is gentle to some makers and a lock to others: think in seconds.',
    { alsoCalled: ['drag brake rate', 'drag ramp', 'drag brake ramp', 'drag rate', 'brake rate'] },
  ),
  dragWhileEasing: percent(
    'Drag while easing off',
    { lower: 'only at neutral', higher: 'brakes as you ease', safeSide: 'lower' },
    'Braking that begins while you release the trigger, not only at neutral.',
    { alsoCalled: ['engine brake', 'lift-off brake', 'ease-off brake', 'coast brake'] },
  ),
  coastAssist: percent(
    'Coast assist',
    { lower: 'slows by itself', higher: 'rolls on', safeSide: 'lower' },
    'Drives the motor a little after you let go, so the car rolls on. Not together with drag brake.',
    { alsoCalled: ['coast', 'coasting', 'rolling', 'coast assist', 'coast force'] },
  ),
  propellerBrake: percent(
    'Propeller brake',
    { lower: 'runs out', higher: 'stops it firmly', safeSide: 'lower' },
    'Braking of the propeller while the throttle is closed. Firm for folding blades, off for fixed ones.',
    {
      alsoCalled: ['brake', 'prop brake', 'brake on stop', 'brake type', 'propeller brake', 'stop brake'],
    },
  ),
} as const;
