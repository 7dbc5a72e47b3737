/** One rehearsal: a lesson, the bench as it is now, and every moment on the way. Pure; time comes from outside. */
import { isOn, isResting, doDeed, msUntilNext, type Deed, type Mishap, type PracticeBench } from './bench';
import { MEDIA } from '../esc/media';
import { stopsLeft, type Lesson } from './lesson';
import type { Observed } from '../procedure/language';

/** One thing that was done, or happened by itself. Waiting in which nothing happened is none. */
export interface Moment {
  /** When it was over, ms since the beginning. */
  atMs: number;
  deed: Deed | Mishap;
  /** Whether nobody did it. */
  byItself: boolean;
  before: PracticeBench;
  after: PracticeBench;
  observed: Observed[];
}

/** What happens to the bench in the middle of a lesson, without anybody's doing. */
export interface Trouble {
  /** How far the lesson has to be. */
  begins: 'atOnce' | 'onTheWay';
  happens: (bench: PracticeBench) => Mishapping;
}

/** What it does at the bench: deeds that nobody did, and what is different from then on. */
export interface Mishapping {
  deeds: readonly (Deed | Mishap)[];
  bench: PracticeBench;
}

export interface Rehearsal {
  lesson: Lesson;
  bench: PracticeBench;
  moments: readonly Moment[];
  /** What is still to happen on the way. */
  troubles: readonly Trouble[];
}

/** Begins a lesson. @param troubles what goes wrong in it, beside what belongs to it */
export function begin(lesson: Lesson, troubles: readonly Trouble[] = []): Rehearsal {
  const all = [...(lesson.breaks ? [BREAKS] : []), ...troubles];
  const started: Rehearsal = {
    lesson,
    bench: lesson.start,
    moments: [],
    troubles: all.filter(({ begins }) => begins === 'onTheWay'),
  };
  return all
    .filter(({ begins }) => begins === 'atOnce')
    .reduce((rehearsal, trouble) => befall(rehearsal, trouble), started);
}

/** Power or line are lost: by hand the battery lead slips out, on a computer the line breaks. */
const BREAKS: Trouble = {
  begins: 'onTheWay',
  happens: (bench) => ({
    deeds: bench.computer.plugged
      ? [{ do: 'lineBreaks' }]
      : [{ do: 'esc', input: { type: 'power', on: false } }],
    bench,
  }),
};

/** Does one thing, and then whatever happens by itself. A wait takes its whole time. */
export function perform(rehearsal: Rehearsal, deed: Deed): Rehearsal {
  if (deed.do !== 'wait') return overtaken(record(rehearsal, deed));
  let now = rehearsal;
  for (let left = deed.ms; left > 0;) {
    const ms = Math.min(left, msUntilNext(now.bench) ?? left);
    now = overtaken(record(now, { do: 'wait', ms }));
    left -= ms;
  }
  return now;
}

function record(rehearsal: Rehearsal, deed: Deed | Mishap, byItself = false): Rehearsal {
  const { bench: before, moments } = rehearsal;
  const { bench: after, observed } = doDeed(before, deed);
  const isEmpty = deed.do === 'wait' && isSame(before, after) && observed.length === 0;
  const moment: Moment = { atMs: after.atMs, deed, byItself, before, after, observed };
  return { ...rehearsal, bench: after, moments: isEmpty ? moments : [...moments, moment] };
}

const isSame = (a: PracticeBench, b: PracticeBench): boolean =>
  a.esc.config.state === b.esc.config.state &&
  a.esc.config.itemCursor === b.esc.config.itemCursor &&
  a.esc.config.stopCursor === b.esc.config.stopCursor &&
  a.esc.config.memory === b.esc.config.memory &&
  a.computer.busy?.doing === b.computer.busy?.doing;

function overtaken(rehearsal: Rehearsal): Rehearsal {
  const [next, ...later] = rehearsal.troubles;
  if (!next || !isOnTheWay(rehearsal)) return rehearsal;
  return befall({ ...rehearsal, troubles: later }, next);
}

function befall(rehearsal: Rehearsal, { happens }: Trouble): Rehearsal {
  const { deeds, bench } = happens(rehearsal.bench);
  return deeds.reduce<Rehearsal>((now, deed) => record(now, deed, true), { ...rehearsal, bench });
}

/** So many things were done since a first value was stored, or since the beginning where there is only one: fewer by the stick. */
const DEEDS_ON_THE_WAY = { byStick: 1, byKeys: 3 };

/** Whether a lesson is in its middle: something is stored, more is to do, no key is down, and the ESC has power. */
function isOnTheWay({ lesson, bench, moments }: Rehearsal): boolean {
  const left = stopsLeft(lesson, bench).length;
  const atStart = stopsLeft(lesson, lesson.start).length;
  const goesOn = atStart > 1 ? left > 0 && left < atStart : true;
  if (!goesOn || !isResting(bench) || !isOn(bench)) return false;
  if (bench.computer.plugged)
    return atStart > 1 ? bench.computer.busy?.doing === 'sending' : bench.computer.form !== undefined;
  const hearsStick = lesson.medium !== undefined && MEDIA[lesson.medium.family].hearsStick;
  const enough = hearsStick ? DEEDS_ON_THE_WAY.byStick : DEEDS_ON_THE_WAY.byKeys;
  const since = atStart > 1 ? moments.findLastIndex(storesSomething) : -1;
  return moments.slice(since + 1).filter(({ deed }) => deed.do !== 'wait').length >= enough;
}

const storesSomething = ({ before, after }: Moment): boolean =>
  before.esc.config.memory !== after.esc.config.memory;
