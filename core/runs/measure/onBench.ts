/** Measurements on the bench: scales and a thrust stand. */
import type { MeasuredLine } from '../../calibration/keptMeasurement';
import { runDrill } from '../../physics/drills/runDrill';
import { thrustCoefficientFrom } from '../../rig/calculators/propellerFigures';
import { GRAVITY } from '../../units/convert';
import { cannotBe, field, line, type Measurement } from './measurement';

export const weights: Measurement = {
  name: 'Weights',
  settles: 'Mass and balance, and what a lighter pack does to both.',
  steps: [
    'Pack in, body on, as it is driven. No pack is plugged in.',
    'Put the front wheels on one kitchen scale and the rear wheels on another, both level.',
    'An aeroplane: its wheels or its wing supports the same way. Note both.',
    'Weigh the pack alone, and the one that you think about.',
  ],
  confirm: null,
  fields: [
    field('front', 'Front', 'g', [1, 60_000]),
    field('rear', 'Rear', 'g', [1, 60_000]),
    field('pack', 'This pack alone', 'g', [1, 20_000], true),
    field('other', 'The other pack', 'g', [1, 20_000], true),
  ],
  result: ([typed], { rig }) => {
    const { front, rear, pack, other } = typed as {
      front: number;
      rear: number;
      pack?: number;
      other?: number;
    };
    const whole = front + rear;
    if (pack !== undefined && pack >= whole)
      return cannotBe('pack', 'The pack is heavier than the whole model.');
    const lines: MeasuredLine[] = [
      line('Mass', whole, rig.vehicle.massKg.value * 1000, 'g', 0),
      line('Of it on the front', (100 * front) / whole, null, '%', 1),
    ];
    if (pack !== undefined && other !== undefined)
      lines.push(line('Mass with the other pack', whole - pack + other, null, 'g', 0));
    return {
      ok: true,
      value: {
        lines,
        takes: { path: 'vehicle.massKg', value: whole / 1000 },
        leavesOpen: 'Where the other pack would sit, and so its balance, the scales tell when it is in.',
      },
    };
  },
};

/** Thrust C_T·ρ·n²·D⁴ (McCormick): its coefficient follows from the first row. */
export const thrustStand: Measurement = {
  name: 'Thrust stand',
  only: 'propeller',
  settles: 'Which timing pulls more, and at what price; and the propeller’s thrust coefficient.',
  steps: [
    'Clamp the stand to something heavy. The propeller is balanced, tight, and blows free.',
    'Stand behind its disc, never beside it. Goggles on. Nobody else in the room.',
    'Start each row with the pack at the same charge, and let the motor cool in between.',
    'Full throttle for a few seconds only. Read rpm, grams, amperes and volts, then off.',
    'Unplug before you change the value. Take the propeller off if you work near it.',
  ],
  confirm: 'The stand is clamped, nobody is beside the disc, and I can cut the power. Club rules come first.',
  rows: { label: 'Setting', most: 6 },
  fields: [
    field('rpm', 'Rpm', 'rpm', [200, 100_000]),
    field('grams', 'Thrust', 'g', [1, 60_000]),
    field('amps', 'Current', 'A', [0.1, 600]),
    field('volts', 'Volts', 'V', [2, 100]),
  ],
  result: (rows, { rig, resolved, esc }) => {
    const all = rows as readonly { rpm: number; grams: number; amps: number; volts: number }[];
    const [first, ...others] = all;
    if (!first) return cannotBe('rpm', 'Type at least one row.');
    const model = new Map(runDrill('throttle', resolved, esc).numbers.map(({ id, value }) => [id, value]));
    const { motorCount, vehicle } = rig;
    const perWatt = ({ grams, amps, volts }: typeof first): number => grams / (amps * volts);
    const percent = (value: number, of: number): number => 100 * (value / of - 1);
    const lines = [
      line('Thrust', first.grams, scaled(model.get('thrust'), motorCount), 'g', 0),
      line('Power', first.amps * first.volts, scaled(model.get('watts'), motorCount), 'W', 0),
      line('Thrust for each watt', perWatt(first), null, 'g/W', 2),
      ...others.flatMap((row, n) => [
        line(`Row ${n + 2} against row 1: thrust`, percent(row.grams, first.grams), null, '%', 1),
        line(
          `Row ${n + 2} against row 1: power`,
          percent(row.amps * row.volts, first.amps * first.volts),
          null,
          '%',
          1,
        ),
        line(
          `Row ${n + 2} against row 1: thrust for each watt`,
          percent(perWatt(row), perWatt(first)),
          null,
          '%',
          1,
        ),
      ]),
    ];
    if (vehicle.kind !== 'propeller') return cannotBe('', 'Only a propeller pulls.');
    const newtons = ((first.grams / 1000) * GRAVITY) / motorCount;
    const rpm = first.rpm / vehicle.gearRatio.value;
    return {
      ok: true,
      value: {
        lines,
        takes: {
          path: 'vehicle.thrustCoefficient',
          value: thrustCoefficientFrom(newtons, rpm, vehicle.propellerDiameterM.value),
        },
        leavesOpen: 'In flight the propeller unloads: it turns faster and draws less than on the stand.',
      },
    };
  },
};

const scaled = (value: number | undefined, by: number): number | undefined =>
  value === undefined ? undefined : value * by;
