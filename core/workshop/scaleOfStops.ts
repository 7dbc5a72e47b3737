/** In what the stops of an item are written, and why; more than one answer where they do not say it. */
import { scalesOf, valueOnScale, type Scale } from '../esc/scale';
import { isNamed, type Setting } from '../settings/vocabulary';
import { cellsOfStop, MOST_OF_A_CELL, voltsOfStops } from './cutoffStops';
import { leadingNumber, saysOff } from './printedNumber';
import { scalesFor, unitOf, unitOfName } from './units';

export interface ScaleReading {
  /** The likeliest. */
  scale: Scale;
  /** Others that it may be as well; asked. */
  rivals: readonly Scale[];
  why: string;
}

const sure = (scale: Scale, why: string): ScaleReading => ({ scale, rivals: [], why });

/** Levels never run so high. */
const TOO_HIGH_FOR_LEVELS = 500;

/** One unit, counted on each side of neutral or over both. */
const BOTH_SIDES: Partial<Record<Scale, Scale>> = {
  micros: 'microsBoth',
  millis: 'millisBoth',
  percentEach: 'percentBoth',
};

/** Settings whose numbers makers print without their unit: others are levels where no unit stands. */
const OFTEN_BARE: ReadonlySet<string> = new Set(['%', '°', 'kHz', 'rpm', 'V', '°C', 'A']);

/** @param stops labels as printed */
export function scaleOfStops(setting: Setting, label: string, stops: readonly string[]): ScaleReading {
  if (isNamed(setting)) return sure('named', 'its stops are names');
  if (setting.id === 'other') return sure('named', 'it is recorded as printed');
  const sized = stops.filter((stop) => !saysOff(stop));
  if (setting.id === 'cutoff') return cutoffScale(sized);
  const numbers = sized.flatMap((stop) => leadingNumber(stop)?.number ?? []);
  if (numbers.length === 0) return sure('named', 'its stops are names without a size');
  if (setting.id === 'polePairs') return polesScale(label);
  const unit = sized.map(unitOf).find((found) => found !== undefined) ?? unitOfName(label);
  const [stated] = unit ? scalesFor(setting, unit) : [];
  if (stated) return withBothSides(stated, `its stops are in ${unit}`);
  const possible = withinBounds(setting, numbers);
  if (couldBeLevels(numbers)) {
    const mayBeSized = OFTEN_BARE.has(setting.unit) && !runsByOnes(numbers);
    return {
      scale: 'level',
      rivals: mayBeSized ? possible.slice(0, 2) : [],
      why: 'its stops are bare numbers: levels, whose size no manual states',
    };
  }
  const [first, ...others] = possible;
  if (first === undefined) return sure('level', `its numbers are no ${setting.unit || 'count'}`);
  const [both] = others.length === 1 ? others : [];
  if (both !== undefined && BOTH_SIDES[first] === both)
    return withBothSides(first, 'its numbers are too fine for levels');
  return { scale: first, rivals: others, why: 'its numbers are no levels' };
}

const couldBeLevels = (numbers: readonly number[]): boolean =>
  numbers.every((n) => Number.isInteger(n) && Math.abs(n) < TOO_HIGH_FOR_LEVELS);

const runsByOnes = (numbers: readonly number[]): boolean =>
  Math.abs(numbers[0]!) <= 1 && numbers.every((n, place) => n === numbers[0]! + place);

const withBothSides = (scale: Scale, why: string): ScaleReading => {
  const both = BOTH_SIDES[scale];
  return { scale, rivals: both ? [both] : [], why };
};

/** What people meet: 105 is Celsius, 221 is Fahrenheit. */
const USUAL_CELSIUS: readonly [number, number] = [55, 150];

/** The scales on which every number is something that ESCs offer. */
function withinBounds(setting: Setting, numbers: readonly number[]): Scale[] {
  const [least, most] = setting.unit === '°C' ? USUAL_CELSIUS : setting.bounds;
  return scalesOf(setting).filter(
    (scale) =>
      scale !== 'level' &&
      scale !== 'named' &&
      scale !== 'curve' &&
      scale !== 'exponent' &&
      numbers.every((number) => {
        const value = valueOnScale(setting, scale, number);
        return value.kind === 'number' && (number === 0 || (value.value >= least && value.value <= most));
      }),
  );
}

/** Poles are not pairs, and a name that says neither is of little help. */
const polesScale = (label: string): ScaleReading =>
  /pair/i.test(label)
    ? sure('count', 'it counts pairs')
    : { scale: 'poles', rivals: ['count'], why: 'poles are two a pair' };

function cutoffScale(stops: readonly string[]): ScaleReading {
  const volts = voltsOfStops(stops);
  if (volts.length === 0) return sure('named', 'its stops are names without a size');
  if (stops.some((stop) => cellsOfStop(stop) !== undefined))
    return sure('packVolts', 'its stops name their cells');
  const saysVolts = stops.some((stop) => unitOf(stop) === 'V') || volts.some((v) => !Number.isInteger(v));
  const ofPack = volts.filter((v) => v > MOST_OF_A_CELL).length;
  if (!saysVolts) {
    // "2, 3, 4" may be volts, cells or levels, whatever the item is called.
    const inVolts: Scale[] = ofPack === 0 ? ['voltsPerCell'] : ofPack === volts.length ? ['packVolts'] : [];
    return {
      scale: 'level',
      rivals: runsByOnes(volts) ? [] : inVolts,
      why: 'its stops are bare numbers: levels, whose size no manual states',
    };
  }
  if (ofPack === volts.length) return sure('packVolts', 'its volts are too high for one cell');
  return sure(
    'voltsPerCell',
    ofPack > 0
      ? 'volts that are too high for one cell are the whole pack’s'
      : 'its volts are those of a cell',
  );
}
