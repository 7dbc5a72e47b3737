/** The lessons of an ESC, made from its profile: nothing in here knows a particular one. */
import { factoryMemory, placeOnBench } from '../device/simulatedEsc';
import { FAMILY_WORDS, isByHand, MEDIA, type Medium, type MediumFamily } from '../esc/media';
import {
  itemById,
  labelIn,
  stopById,
  type EscProfile,
  type StopByItem,
  type WantedStops,
} from '../esc/profile';
import type { EscMemory } from '../procedure/language';
import { rangeOf, restMicros, type LearnedRange, type ThrottleChannel } from '../radio/pulse';
import { listInWords } from '../units/format';
import type { PracticeBench } from './bench';
import { atOpenStop, atStored } from './beginnings';
import { UNPLUGGED } from './computer';
import { END_POINT_LESSONS, LESSONS, type Lesson, type LessonId, type Target } from './lesson';
import { exercisesOf, type Exercise } from './lessonItems';
import { radioAtRest, type RadioMenu } from './radio';

/** What lessons are made of. */
export interface Surroundings {
  profile: EscProfile;
  /** The radio of the rig, or of such a model. */
  channel: ThrottleChannel;
  /** What the ESC is practised with to begin with: what the rig's holds, or the factory's values. */
  stops: StopByItem;
  /** Of a lithium pack, which an ESC can count; undefined for any other. */
  cells: number | undefined;
  /** What is drafted for the rig, where there is one. */
  draft: WantedStops;
}

/** A radio as it has to be for a calibration. Common practice. */
const rightMenu = ({ reversed }: ThrottleChannel): RadioMenu => ({
  forwardEndPointPercent: 100,
  brakeEndPointPercent: 100,
  subTrimMicros: 0,
  trimMicros: 0,
  reversed,
});

/** A lithium pack that was just charged: with less, an ESC may miscount a pack of many cells. */
export const CHARGED_VOLTS_PER_CELL = 4.2;

/** What a trimmed radio, and a lowered end point, look like. */
const TRIMMED_MICROS = 24;
const LOWERED_PERCENT = 80;
/** What an ESC learned from another radio is off by, µs: less than any deadband at neutral. */
const OTHER_RADIO = { forwardMicros: -70, neutralMicros: 0, brakeMicros: 0 };
const OTHER_TRIM = { forwardMicros: -40, neutralMicros: 10, brakeMicros: 10 };

/** The lessons about the radio and the end points, and about nothing that is stored. */
export function endPointLessons(from: Surroundings): Lesson[] {
  const made = (id: LessonId, more: Partial<Lesson> & Pick<Lesson, 'goal' | 'known'>): Lesson =>
    lessonOf(from, id, undefined, more);
  const channel = prepared(from.channel);
  const right = targetOf(from, {});
  const { calibration } = from.profile;
  const teaches = calibration.family !== 'none';
  const range = teaches ? shifted(rangeOf(channel), OTHER_RADIO) : right.range;
  const second = teaches ? shifted(rangeOf(channel), OTHER_TRIM) : right.range;
  const words = FAMILY_WORDS[calibration.family];
  const checks = 'This ESC learns no end points. Pull full throttle once and see that full arrives.';
  return [
    made('prepareRadio', {
      goal: `Get the radio ready${teaches ? ' for calibrating' : ''}: no trim, full end points, nothing held.`,
      known: `Somebody trimmed it, lowered the ${channel.rest === 'centre' ? 'forward' : 'upper'} end point and left throttle hold on.`,
      start: {
        ...benchOf(from, {}),
        radio: {
          ...radioAtRest({ ...channel, trimMicros: TRIMMED_MICROS, forwardEndPointPercent: LOWERED_PERCENT }),
          hold: true,
        },
      },
    }),
    made('calibrate', {
      goal: teaches ? `Teach the ESC your throttle: ${words}.` : checks,
      known: teaches
        ? 'The radio is prepared. The ESC still has the ends of another one.'
        : 'The radio is prepared.',
      start: benchOf(from, { range }),
      travel: !teaches,
    }),
    made('calibrateSecond', {
      goal: teaches ? `Teach the second ESC the same ends: ${words}.` : `The second ESC. ${checks}`,
      known: teaches
        ? 'The first ESC is done. This one was calibrated with another trim. Leave the radio as it is.'
        : 'The first ESC is done. Both must see the same throttle.',
      start: benchOf(from, { range: second }),
      travel: !teaches,
    }),
  ];
}

/** The lessons about settings, entered by one medium. Fewer where the ESC has nothing that can be changed by itself. */
export function settingLessons(from: Surroundings, medium: Medium): Lesson[] {
  const [first, second, third] = exercisesOf(from.profile, from.stops);
  if (!first) return [];
  const three = [first, second, third].filter((one) => one !== undefined);
  const facts: Facts = { from, medium, first, three, shows: MEDIA[medium.family].showsStored };
  return [
    changing(facts, 'changeOne', [first]),
    changing(facts, 'changeThree', three),
    facts.shows ? readBack(facts) : storeAgain(facts, 'readBack', [first]),
    facts.shows ? findOut(facts) : storeAgain(facts, 'findOut', three),
    afterSlip(facts),
    leaveAlone(facts),
    lineLost(facts),
    forgotten(facts),
    ...myLoad(facts),
  ];
}

interface Facts {
  from: Surroundings;
  medium: Medium;
  first: Exercise;
  three: Exercise[];
  /** Whether the medium can show what is stored. */
  shows: boolean;
}

function changing(
  { from, medium, shows }: Facts,
  id: 'changeOne' | 'changeThree',
  exercises: Exercise[],
): Lesson {
  return lessonOf(from, id, medium, {
    goal: `By ${MEDIA[medium.family].words}: ${wishes(from, exercises)}.`,
    known: shows
      ? 'Afterwards read back what is stored.'
      : 'It cannot show what is stored: watch for its answer.',
    target: targetOf(from, wanted(exercises)),
    tell: shows ? ids(exercises) : [],
  });
}

function readBack({ from, medium, first }: Facts): Lesson {
  return lessonOf(from, 'readBack', medium, {
    goal: `Read what “${labelIn(from.profile, first.item)}” is set to, and change nothing.`,
    known: 'You do not know what it holds.',
    start: benchOf(from, { stops: wanted([first]) }),
    target: targetOf(from, wanted([first])),
    tell: [first.item.id],
  });
}

function findOut({ from, medium, three }: Facts): Lesson {
  return lessonOf(from, 'findOut', medium, {
    goal: `Find out what ${names(from, three)} ${three.length === 1 ? 'is' : 'are'} set to, and change nothing.`,
    known: 'You bought it used, and nothing came with it.',
    start: benchOf(from, { stops: wanted(three) }),
    target: targetOf(from, wanted(three)),
    tell: ids(three),
  });
}

/** A medium that never shows what it holds: what was stored by you is what you know. */
const storeAgain = ({ from, medium }: Facts, id: 'readBack' | 'findOut', exercises: Exercise[]): Lesson =>
  lessonOf(from, id, medium, {
    goal: `Make sure of it: ${wishes(from, exercises)}.`,
    known: `By ${MEDIA[medium.family].words} you cannot read it. Store what you want: then you know it.`,
    target: targetOf(from, wanted(exercises)),
  });

function afterSlip({ from, medium, first, three, shows }: Facts): Lesson {
  // The neighbour got the value. An ESC with nothing else to practise on has only its own item to put back.
  const astray = three[1] ?? first;
  const meant = three[1] ? [first] : [];
  const label = labelIn(from.profile, astray.item);
  const was = stopById(astray.item, from.stops[astray.item.id]!).label;
  return lessonOf(from, 'afterSlip', medium, {
    goal: `Put “${label}” back to “${was}”${meant.length > 0 ? `, and ${wishes(from, meant)}` : ''}.`,
    known: `A slip: “${label}” went to “${astray.stop.label}”.`,
    start: atStored(benchOf(from, {}), medium.family, astray),
    target: targetOf(from, wanted(meant)),
    tell: shows ? ids([astray, ...meant]) : [],
  });
}

function leaveAlone({ from, medium, first }: Facts): Lesson {
  const label = labelIn(from.profile, first.item);
  return lessonOf(from, 'leaveAlone', medium, {
    goal: `Leave without storing anything: “${label}” stays as it was.`,
    known: isByHand(medium)
      ? `You opened “${label}” by mistake, and the next move would store something else.`
      : `You changed “${label}” on the form by mistake. It is not sent yet.`,
    start: atOpenStop(benchOf(from, {}), medium.family, first),
    target: targetOf(from, {}),
  });
}

function lineLost({ from, medium, three, shows }: Facts): Lesson {
  const by = isByHand(medium) ? 'The battery lead slips out on the way.' : 'The line breaks while it writes.';
  return lessonOf(from, 'lineLost', medium, {
    goal: `Whatever happens on the way: ${wishes(from, three)}.`,
    known: `${by} Some of it may be stored by then, some not.`,
    target: targetOf(from, wanted(three)),
    tell: shows ? ids(three) : [],
    breaks: true,
  });
}

/** Values that were on a sheet, some of them back on the factory's since. */
function forgotten({ from, medium, three, shows }: Facts): Lesson {
  // Not all of it is lost, where there is more than one: reading back has to tell.
  const kept = three.length > 1 ? three.slice(0, 1) : [];
  const gone = shows ? wanted(kept) : {};
  return lessonOf(from, 'forgotten', medium, {
    goal: `Bring back what your sheet says: ${wishes(from, three)}.`,
    known: shows
      ? 'The new firmware put some of it back to other values. Read back which.'
      : 'The new firmware may have forgotten any of it, and you cannot read it. Store all of it again.',
    start: benchOf(from, { stops: gone }),
    target: targetOf(from, wanted(three)),
    tell: shows ? ids(three) : [],
  });
}

function myLoad({ from, medium, shows }: Facts): Lesson[] {
  const { profile, stops, draft } = from;
  const changes = Object.entries(draft)
    .filter(([itemId, stopId]) => stops[itemId] !== stopId)
    .map(([itemId, stopId]): Exercise => {
      const item = itemById(profile, itemId);
      return { item, stop: stopById(item, stopId) };
    });
  if (changes.length === 0) return [];
  return [
    lessonOf(from, 'myLoad', medium, {
      goal: `By ${MEDIA[medium.family].words}: ${wishes(from, changes)}.`,
      known: 'This is your own draft. The simulated ESC starts with what yours is believed to hold.',
      target: targetOf(from, draft),
      tell: shows ? ids(changes) : [],
    }),
  ];
}

function lessonOf(
  from: Surroundings,
  id: LessonId,
  medium: Medium | undefined,
  more: Partial<Lesson> & Pick<Lesson, 'goal' | 'known'>,
): Lesson {
  return {
    id,
    profile: from.profile,
    medium,
    start: benchOf(from, {}),
    target: targetOf(from, {}),
    tell: [],
    travel: false,
    breaks: false,
    ...more,
  };
}

const prepared = (channel: ThrottleChannel): ThrottleChannel => ({ ...channel, ...rightMenu(channel) });

/** What the ESC has learned where nothing is to be taught. */
const rangeHeld = ({ profile, channel }: Surroundings): LearnedRange =>
  profile.calibration.family === 'none' ? factoryMemory(profile).range : rangeOf(prepared(channel));

function benchOf(from: Surroundings, other: { stops?: WantedStops; range?: LearnedRange }): PracticeBench {
  const channel = prepared(from.channel);
  const memory: EscMemory = {
    stops: { ...from.stops, ...other.stops },
    range: other.range ?? rangeHeld(from),
  };
  return {
    esc: placeOnBench(from.profile, memory, restMicros(channel)),
    radio: radioAtRest(channel),
    computer: UNPLUGGED,
    pack: from.cells === undefined ? undefined : { cells: from.cells, voltsPerCell: CHARGED_VOLTS_PER_CELL },
    atMs: 0,
    told: {},
    shown: {},
    sawFull: false,
    cellsBeeped: undefined,
    deeds: 0,
    plugIsIn: false,
    fault: undefined,
  };
}

const targetOf = (from: Surroundings, changed: WantedStops): Target => ({
  stops: { ...from.stops, ...changed },
  range: rangeHeld(from),
  menu: rightMenu(from.channel),
});

const shifted = (range: LearnedRange, by: LearnedRange): LearnedRange => ({
  forwardMicros: range.forwardMicros + by.forwardMicros,
  neutralMicros: range.neutralMicros + by.neutralMicros,
  brakeMicros: range.brakeMicros + by.brakeMicros,
});

const wanted = (exercises: readonly Exercise[]): WantedStops =>
  Object.fromEntries(exercises.map(({ item, stop }) => [item.id, stop.id]));
const ids = (exercises: readonly Exercise[]): string[] => exercises.map(({ item }) => item.id);
const names = ({ profile }: Surroundings, exercises: readonly Exercise[]): string =>
  listInWords(exercises.map(({ item }) => `“${labelIn(profile, item)}”`));
const wishes = ({ profile }: Surroundings, exercises: readonly Exercise[]): string =>
  `set ${listInWords(exercises.map(({ item, stop }) => `“${labelIn(profile, item)}” to “${stop.label}”`))}`;

/** The lessons for a beginner, in order: by the handiest medium. */
export const BEGINNERS_PATH = [
  'prepareRadio',
  'calibrate',
  'changeOne',
] as const satisfies readonly LessonId[];

/** One lesson; undefined where this ESC has none of the kind, or no such medium. */
export function lessonFor(
  from: Surroundings,
  id: LessonId,
  family: MediumFamily | undefined,
): Lesson | undefined {
  if ((END_POINT_LESSONS as readonly LessonId[]).includes(id))
    return endPointLessons(from).find((lesson) => lesson.id === id);
  const medium = from.profile.media.find((one) => one.family === family) ?? from.profile.media[0];
  return medium && settingLessons(from, medium).find((lesson) => lesson.id === id);
}

/** What a lesson of this kind is called on this ESC. */
export const lessonTitle = ({ id, medium }: Pick<Lesson, 'id' | 'medium'>): string => {
  const blind = medium && !MEDIA[medium.family].showsStored;
  if (blind && id === 'readBack') return 'Make sure of one value';
  if (blind && id === 'findOut') return 'Make sure of what it holds';
  if (id === 'lineLost' && medium && isByHand(medium)) return 'Go on after the power was lost';
  return LESSONS[id];
};
