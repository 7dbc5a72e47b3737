/**
 * What can be wrong on a bench without anybody saying so. The learner finds out which, and how to get out. Each is data: where
 * it fits, what it does to the bench, what gives it away and what corrects it. Common practice.
 */
import { act, placeOnBench } from '../device/simulatedEsc';
import { isByHand, MEDIA, mediumOf, type MediumFamily } from '../esc/media';
import { factoryStops, type EscProfile } from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { formatNumber, withUnit } from '../units/format';
import { ahead } from './ahead';
import { countedCells, isOn, type PracticeBench } from './bench';
import type { Lesson } from './lesson';
import { radioLeft, stopsLeft } from './lesson';
import { CHARGED_VOLTS_PER_CELL } from './makeLessons';
import { sentMicros } from './radio';
import type { Trouble } from './rehearsal';

export const SURPRISES = {
  missedPress: 'A press was not felt',
  wornStick: 'The throttle stops at 95 %',
  trimOff: 'The trim is off',
  usedPack: 'The ESC counted the cells wrongly',
  brownOut: 'The ESC restarted by itself',
  plugTurned: 'The card or box is in the wrong way round',
  otherEsc: 'This is another ESC',
  factoryReset: 'Somebody reset it to the factory’s values',
} as const;
export type SurpriseId = keyof typeof SURPRISES;

export interface Surprise extends Trouble {
  /** Whether it can happen in this lesson. */
  fits: (lesson: Lesson) => boolean;
  /** What gave it away. */
  shows: (bench: PracticeBench, lesson: Lesson) => string;
  /** What to do about it. */
  remedy: string;
  /** What is done at once when it is named: swapping a pack or an ESC is no press of a key. */
  correct: (bench: PracticeBench) => PracticeBench;
  /** Whether nothing of it is left. */
  isOver: (bench: PracticeBench, lesson: Lesson) => boolean;
}

/** What a worn throttle reaches, share of its travel. */
const WORN_REACH = 0.95;
/** A trim that was pushed by a sleeve, µs: beyond any usual deadband. */
const PUSHED_TRIM_MICROS = 72;
/** A pack that was driven and forgotten, V per cell. */
const USED_VOLTS_PER_CELL = 3.35;
/** How long a sagging supply leaves the ESC without power, ms. */
const BROWN_OUT_MS = 300;

const hearsStick = ({ medium }: Lesson): boolean => medium !== undefined && MEDIA[medium.family].hearsStick;
const hasKeys = (lesson: Lesson): boolean =>
  lesson.medium !== undefined && isByHand(lesson.medium) && !hearsStick(lesson);
/** The press that is not felt is the second. */
const DEAF_AFTER_PRESSES = 1;

/** How often the plan has a key pressed. */
function pressesIn(lesson: Lesson): number {
  const plan = ahead(lesson, lesson.start);
  if (typeof plan === 'string') return 0;
  const inputs = plan.steps.flatMap((step) => (step.kind === 'gesture' ? step.gesture.inputs : []));
  return inputs.filter(({ type }) => type === 'down').length;
}

const worksByHand = ({ medium }: Lesson): boolean => medium === undefined || isByHand(medium);
const usesThrottle = (lesson: Lesson): boolean =>
  hearsStick(lesson) || lesson.id === 'calibrate' || lesson.id === 'calibrateSecond';
const PLUGGED: readonly MediumFamily[] = ['lampCard', 'textBox'];

const same = (bench: PracticeBench): PracticeBench => bench;

/** What the ESC takes for a cell must differ for it to be miscounted: with few cells it cannot be. */
const charged = (bench: PracticeBench, voltsPerCell: number): PracticeBench => ({
  ...bench,
  pack: bench.pack && { ...bench.pack, voltsPerCell },
});
const isMiscounted = ({ pack }: PracticeBench): boolean =>
  pack !== undefined && countedCells(pack) !== pack.cells;

export const SURPRISE_OF: Readonly<Record<SurpriseId, Surprise>> = {
  missedPress: {
    begins: 'atOnce',
    fits: (lesson) => hasKeys(lesson) && pressesIn(lesson) > DEAF_AFTER_PRESSES,
    happens: (bench) => ({
      deeds: [],
      bench: { ...bench, fault: { kind: 'deafPress', inPresses: DEAF_AFTER_PRESSES } },
    }),
    shows: () => 'One press did not move anything: its answer was missing.',
    remedy: 'Count answers, not presses. Press again, and go on.',
    correct: same,
    isOver: ({ fault }) => fault?.kind !== 'deafPress',
  },
  wornStick: {
    begins: 'atOnce',
    fits: usesThrottle,
    happens: (bench) => ({ deeds: [], bench: withReach(bench, WORN_REACH) }),
    shows: (bench) =>
      `At full throttle the radio sends ${withUnit(sentMicros({ ...bench.radio, position: 1, hold: false }), 'µs', 0)}; ${withUnit(rangeOf(bench.radio.channel).forwardMicros, 'µs', 0)} would be right.`,
    remedy: 'Raise that end point until the radio sends full. Have the throttle repaired.',
    correct: same,
    isOver: (bench, lesson) => Object.keys(radioLeft(lesson, bench)).length === 0,
  },
  trimOff: {
    begins: 'atOnce',
    fits: (lesson) => worksByHand(lesson) && lesson.id !== 'prepareRadio' && lesson.id !== 'leaveAlone',
    happens: (bench) => ({ deeds: [], bench: withTrim(bench, PUSHED_TRIM_MICROS) }),
    shows: (bench) =>
      `At rest the radio sends ${withUnit(sentMicros({ ...bench.radio, hold: true }), 'µs', 0)}: the trim moves neutral by ${formatNumber(bench.radio.channel.trimMicros, 0)} µs.`,
    remedy: 'Set the trim to zero. Then begin again.',
    correct: same,
    isOver: (bench) => bench.radio.channel.trimMicros === 0,
  },
  usedPack: {
    begins: 'atOnce',
    fits: (lesson) => !isOn(lesson.start) && isMiscounted(charged(lesson.start, USED_VOLTS_PER_CELL)),
    happens: (bench) => ({ deeds: [], bench: charged(bench, USED_VOLTS_PER_CELL) }),
    shows: ({ pack }) =>
      pack ? `It beeped ${countedCells(pack)} cells when it started. The pack has ${pack.cells}.` : '',
    remedy: 'Use a charged pack. Otherwise its cutoff protects too few cells, and the pack is ruined.',
    correct: (bench) => charged(bench, CHARGED_VOLTS_PER_CELL),
    isOver: (bench) => !isMiscounted(bench),
  },
  brownOut: {
    begins: 'onTheWay',
    fits: (lesson) => worksByHand(lesson) && !lesson.breaks,
    happens: (bench) => ({
      deeds: [
        { do: 'esc', input: { type: 'power', on: false } },
        { do: 'wait', ms: BROWN_OUT_MS },
        { do: 'esc', input: { type: 'power', on: true } },
      ],
      bench,
    }),
    shows: () => 'It went dark and started again while nobody touched the switch.',
    remedy:
      'Whatever was not stored is gone. Begin that value again; on a real model, check pack, plugs and BEC.',
    correct: same,
    isOver: () => true,
  },
  plugTurned: {
    begins: 'atOnce',
    fits: ({ medium, id }) =>
      PLUGGED.includes(medium?.family ?? 'link') && id !== 'leaveAlone' && id !== 'afterSlip',
    happens: (bench) => ({ deeds: [], bench: { ...bench, fault: { kind: 'turnedPlug' } } }),
    shows: () => 'It stays dark, and the ESC starts as if nothing were plugged in.',
    remedy: 'Switch off, unplug it, turn it round and plug it in again. Match the pins to the print.',
    correct: turnedRound,
    isOver: ({ fault }) => fault?.kind !== 'turnedPlug',
  },
  otherEsc: {
    begins: 'atOnce',
    fits: (lesson) =>
      lesson.medium !== undefined &&
      lesson.profile.items.length > 2 &&
      lesson.start.esc.config.state === 'off',
    happens: (bench) => ({ deeds: [], bench: withOtherEsc(bench) }),
    shows: (_, lesson) => differsInWords(lesson.profile),
    remedy: 'Stop. Set nothing on it: its numbers mean something else. Take the right one.',
    correct: withRightEsc,
    isOver: ({ fault }) => fault?.kind !== 'otherEsc',
  },
  factoryReset: {
    begins: 'onTheWay',
    fits: (lesson) => worksByHand(lesson) && stopsLeft(lesson, lesson.start).length > 1 && !lesson.breaks,
    happens: (bench) => ({ deeds: [{ do: 'stops', stops: factoryStops(bench.esc.profile) }], bench }),
    shows: () => 'A value that you had stored already is back on the factory’s stop.',
    remedy: 'Store again what you had stored. Reading back at the end shows it, where the ESC can be read.',
    correct: same,
    isOver: (bench, lesson) => stopsLeft(lesson, bench).length === 0,
  },
};

/** The surprises that can happen in a lesson. */
export const surprisesFor = (lesson: Lesson): SurpriseId[] =>
  (Object.keys(SURPRISE_OF) as SurpriseId[]).filter((id) => SURPRISE_OF[id].fits(lesson));

const withReach = (bench: PracticeBench, reach: number): PracticeBench => ({
  ...bench,
  radio: { ...bench.radio, reach },
});

function withTrim(bench: PracticeBench, trimMicros: number): PracticeBench {
  const radio = { ...bench.radio, channel: { ...bench.radio.channel, trimMicros } };
  const { esc } = act(bench.esc, { type: 'stick', micros: sentMicros(radio) });
  return { ...bench, radio, esc };
}

/** Off, unplugged and turned round: to be plugged in again by hand. */
function turnedRound(bench: PracticeBench): PracticeBench {
  const { esc } = act(bench.esc, { type: 'power', on: false });
  return { ...bench, esc, plugIsIn: false, fault: undefined };
}

/** A sister of the ESC: it looks alike, but its menu has one item less, so that all behind it have other numbers. */
export function sisterOf(profile: EscProfile): EscProfile {
  const [, ...rest] = profile.items;
  const items = rest.map((item, place) => ({ ...item, number: place + 1 }));
  return { ...profile, id: `${profile.id}-sister`, items };
}

function withOtherEsc(bench: PracticeBench): PracticeBench {
  const { esc: right, radio } = bench;
  const profile = sisterOf(right.profile);
  const memory = { stops: factoryStops(profile), range: right.config.memory.range };
  const esc = placeOnBench(profile, memory, sentMicros(radio));
  return { ...bench, esc, fault: { kind: 'otherEsc', right } };
}

/** The right one lies there, off; nothing is plugged into it. */
function withRightEsc(bench: PracticeBench): PracticeBench {
  const { fault } = bench;
  if (fault?.kind !== 'otherEsc') return bench;
  return { ...bench, esc: fault.right, plugIsIn: false, told: {}, shown: {}, fault: undefined };
}

function differsInWords({ items, media }: EscProfile): string {
  const [first, second] = items;
  const counts = `Its menu has ${items.length - 1} items, not ${items.length}.`;
  const isText = mediumOf(media, 'textBox') ?? mediumOf(media, 'transmitterMenu');
  return isText ? `Item 1 reads “${second!.label}”, not “${first!.label}”. ${counts}` : counts;
}
