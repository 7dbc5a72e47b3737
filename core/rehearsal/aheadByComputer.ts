/** What is left to do at a computer: power, plug, read, set, send, read again, say, unplug. */
import type { NoWay } from '../plan/search';
import { isOn, isReady, type PracticeBench } from './bench';
import { readSeconds, sendSeconds, type ComputerDeed } from './computer';
import { stopsLeft, tellsLeft, type Lesson } from './lesson';
import { reachedRange } from './radio';
import { deedStep, driveAgain, familyOf, type DeedStep, type Step } from './steps';

const click = (deed: ComputerDeed): DeedStep => deedStep({ do: 'computer', deed });
const waiting = (seconds: number): DeedStep => deedStep({ do: 'wait', ms: Math.round(seconds * 1000) });
const readAll = ({ profile }: Lesson): DeedStep[] => [click({ act: 'read' }), waiting(readSeconds(profile))];

/** @returns why there is no way, where the ESC cannot be brought to drive */
export function byComputer(lesson: Lesson, bench: PracticeBench): Step[] | NoWay {
  const { esc, radio, computer } = bench;
  const isDone = stopsLeft(lesson, bench).length === 0 && tellsLeft(lesson, bench).length === 0;
  // With its adapter plugged in the ESC has power already; without, it is switched on first, and drives at the end.
  const needsPower = isDone ? !computer.plugged && !isReady(bench) : !isOn(bench);
  const power = needsPower ? driveAgain(esc.machine, esc.config, reachedRange(radio), familyOf(lesson)) : [];
  if (typeof power === 'string') return power;
  if (isDone) return computer.plugged ? [...power, click({ act: 'unplug' })] : power;
  const first = [...connecting(lesson, bench), ...changing(lesson, bench)];
  return [...power, ...first, ...telling(lesson, bench, first), click({ act: 'unplug' })];
}

/** Plugged in, idle, and with a form that was read. */
function connecting(lesson: Lesson, { computer }: PracticeBench): DeedStep[] {
  const { plugged, broken, busy, form } = computer;
  return [
    ...(!plugged || broken ? [click({ act: 'plug' })] : []),
    ...(busy ? [waiting(secondsUntilIdle(computer))] : []),
    ...(!form && !busy ? readAll(lesson) : []),
  ];
}

/** The form set where it differs, and sent. */
function changing(lesson: Lesson, bench: PracticeBench): DeedStep[] {
  const { esc, computer } = bench;
  const left = stopsLeft(lesson, bench);
  if (left.length === 0 || computer.busy?.doing === 'sending') return [];
  const shown = computer.form ?? esc.config.memory.stops;
  const { stops } = lesson.target;
  const toSet = lesson.profile.items.map(({ id }) => id).filter((id) => shown[id] !== stops[id]);
  return [
    ...toSet.map((itemId) => click({ act: 'set', itemId, stopId: stops[itemId]! })),
    click({ act: 'send' }),
    waiting(sendSeconds(left.length)),
  ];
}

/** Only what is read after the last writing says what is stored. */
function telling(lesson: Lesson, bench: PracticeBench, before: readonly DeedStep[]): Step[] {
  const tells = tellsLeft(lesson, bench);
  if (tells.length === 0) return [];
  const { stops } = bench.esc.config.memory;
  const isRead = tells.every((itemId) => bench.shown[itemId] === stops[itemId]);
  const isComing = before.some(reads) || bench.computer.busy?.doing === 'reading';
  const isStale = stopsLeft(lesson, bench).length > 0 || (!isRead && !isComing);
  return [...(isStale ? readAll(lesson) : []), ...tells.map((itemId): Step => ({ kind: 'tell', itemId }))];
}

const reads = ({ deed }: DeedStep): boolean => deed.do === 'computer' && deed.deed.act === 'read';

function secondsUntilIdle({ busy }: PracticeBench['computer']): number {
  if (!busy) return 0;
  const more = busy.doing === 'sending' ? sendSeconds(busy.left.length - 1) : 0;
  return busy.msLeft / 1000 + more;
}
