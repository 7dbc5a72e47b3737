import { readEntry } from '#core/runs/entry';
import type { Question } from '#core/runs/question';
import { saysSomething, type RunNote } from '#core/runs/run';
import { handValuesOf } from '#core/rig/handValues';
import type { Problem } from '#core/units/problem';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { RunFields } from './RunFields';
import { useRunEntry } from './useRunEntry';
import type { useWaitingRuns } from './WaitingRuns';

const NOTED = 'Run noted.';

interface Props {
  last: RunNote | undefined;
  questions: readonly Question[];
  /** The labels of the shelf's packs that fit. */
  packs: readonly string[];
  runs: ReturnType<typeof useWaitingRuns>;
}

/** A new run: kept as it is typed, saved with one tap, sent when the server is there. */
export function NoteRun({ last, questions, packs, runs }: Props) {
  const { rigId, rig } = useBench();
  const [params, setParams] = useSearchParams();
  const planned = (key: string): string => (params.get(key) ?? '').slice(0, 200);
  const dayId = planned('day');
  const { open, change, choose, begin } = useRunEntry(rigId, last, {
    pack: planned('pack'),
    minutes: planned('minutes'),
    side: planned('side'),
  });
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const side = useSide(questions, open.side);
  const save = (): void => {
    const read = readEntry(open.entry, rig.vehicle.kind);
    if (!read.ok) {
      setProblems(read.problems);
      setSaid('');
      return;
    }
    setProblems([]);
    if (!saysSomething(read.value)) {
      setSaid('Tap a moment, or type a number or a word. Then save.');
      return;
    }
    runs.keep(rigId, {
      id: crypto.randomUUID(),
      drivenAt: new Date().toISOString(),
      note: read.value,
      byHand: handValuesOf(rig),
      question: side.chosen,
    });
    begin(read.value);
    // What the day said was of this run: the next is another.
    if (dayId !== '') setParams({ day: dayId }, { replace: true, preventScrollReset: true });
    setSaid(NOTED);
  };
  return (
    <section aria-label="Note a run">
      <RunFields entry={open.entry} problems={problems} packs={packs} change={change} />
      {questions.length > 0 && (
        <label className="mt-1 block">
          <span className="block text-sm">Counts for the question</span>
          <select
            value={side.key}
            onChange={(event) => choose(event.target.value)}
            className={`${INPUT} w-full`}
          >
            <option value="none">none</option>
            {side.offered.map(({ key, words }) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      <div className="sticky bottom-16 z-1 bg-film pt-2 md:static">
        <Button look="main" className="w-full" onClick={save}>
          Save the run
        </Button>
        <p role="status" className="min-h-7 font-bold text-ok">
          {said}{' '}
          {said === NOTED && dayId !== '' && (
            <Link to={`/days/${encodeURIComponent(dayId)}`} className="underline underline-offset-4">
              Back to the day
            </Link>
          )}{' '}
          {said === NOTED && (
            <a href="#after-run" className="underline underline-offset-4 lg:hidden">
              See what it asks for
            </a>
          )}
        </p>
      </div>
      <Waiting rigId={rigId} runs={runs} />
    </section>
  );
}

/** Which question a run answers, and for which side: the one whose value the ESC holds, until another is chosen. */
function useSide(questions: readonly Question[], chosen: string) {
  const { holdings } = useBench();
  const offered = questions.flatMap(({ id, words, a, b, itemId }) =>
    (['A', 'B'] as const).map((side) => {
      const { stopId, label } = side === 'A' ? a : b;
      return {
        key: `${id} ${side}`,
        words: `${side}, ${label}: ${words}`,
        isHeld: holdings[itemId]?.stopId === stopId,
        question: { id, side: side },
      };
    }),
  );
  const usual = offered.find(({ isHeld }) => isHeld);
  const key = chosen === '' ? (usual?.key ?? 'none') : chosen;
  return { offered, key, chosen: offered.find((one) => one.key === key)?.question ?? null };
}

/** What of the notes the server does not have yet. */
function Waiting({ rigId, runs: { waiting, sending } }: Pick<Props, 'runs'> & { rigId: string }) {
  const mine = waiting.filter((one) => one.rigId === rigId).length;
  if (mine === 0) return null;
  const count = mine === 1 ? 'One run waits' : `${mine} runs wait`;
  return (
    <p role="alert" className="border-l-4 border-caution bg-caution-wash p-2">
      {sending === 'refused'
        ? `${count} in this browser: the server refuses it. Load this page again; nothing is lost.`
        : `${count} in this browser. You may close the page: it is sent when Live Tune answers.`}
    </p>
  );
}
