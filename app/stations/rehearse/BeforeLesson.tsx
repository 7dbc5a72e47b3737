import type { Lesson } from '#core/rehearsal/lesson';
import { PRACTICE_MODES, type PracticeMode } from '#core/rehearsal/results';
import { surprisesFor, type SurpriseId } from '#core/rehearsal/surprises';
import { PRECAUTIONS } from '#core/rig/safety';
import type { VehicleKind } from '#core/rig/rig';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { OneOf } from '../../ui/OneOf';
import { TickBox } from '../../ui/TickBox';

/** How a lesson is practised. */
export interface Chosen {
  mode: PracticeMode;
  speed: number;
  surpriseId: SurpriseId | undefined;
}

interface Props {
  lesson: Lesson;
  vehicle: VehicleKind;
  /** A surprise that the address asks for. */
  asked: SurpriseId | undefined;
  onStart: (how: { mode: PracticeMode; speed: number; surprise: SurpriseId | 'any' | undefined }) => void;
}

export const SPEEDS = [
  ['0.25', 'a quarter'],
  ['0.5', 'half'],
  ['1', 'real time'],
] as const;
type Speed = (typeof SPEEDS)[number][0];

/** What the learner knows, and how it is to be practised. */
export function BeforeLesson({ lesson, vehicle, asked, onStart }: Props) {
  const [mode, setMode] = useState<PracticeMode>('coach');
  const [speed, setSpeed] = useState<Speed>('1');
  const possible = surprisesFor(lesson);
  const fitting = asked !== undefined && possible.includes(asked) ? asked : undefined;
  const [surprised, setSurprised] = useState(fitting !== undefined);
  return (
    <div className="mt-4 grid gap-6 lg:grid-cols-2">
      <div className="grid content-start gap-5">
        <p className="border-l-4 border-rule pl-3 text-lg wrap-anywhere">{lesson.known}</p>
        <OneOf
          legend={<span className="font-display text-xl">How</span>}
          name="mode"
          of={[
            [
              'coach',
              <Way key="c" name="With the coach" what="says what comes next, and shows how long you have" />,
            ],
            ['exam', <Way key="e" name="As an exam" what="silent; every slip is explained at the end" />],
          ]}
          value={mode}
          onChoose={setMode}
        />
      </div>
      <div className="grid content-start gap-5">
        <OneOf
          legend={<span className="font-display text-xl">How fast</span>}
          name="speed"
          of={SPEEDS}
          value={speed}
          onChoose={setSpeed}
        />
        {possible.length > 0 && (
          <TickBox on={surprised} onChange={setSurprised}>
            with a surprise: something is wrong, and you find out what
          </TickBox>
        )}
        <Notice grade="note" title="Here nothing can turn.">
          <p>
            On the real model, first: {PRECAUTIONS[vehicle][0]} Keep people and hands clear. Club rules, event
            rules and local law come first.
          </p>
        </Notice>
        <Button
          look="main"
          onClick={() =>
            onStart({
              mode,
              speed: Number(speed),
              surprise: surprised && possible.length > 0 ? (fitting ?? 'any') : undefined,
            })
          }
        >
          Start {PRACTICE_MODES[mode]}
        </Button>
      </div>
    </div>
  );
}

const Way = ({ name, what }: { name: string; what: string }) => (
  <span>
    <strong>{name}</strong>
    <span className="block text-sm text-muted">{what}</span>
  </span>
);
