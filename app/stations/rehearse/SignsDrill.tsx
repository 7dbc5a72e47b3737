import type { EscProfile } from '#core/esc/profile';
import { beepsOf, soundOf, type Beep } from '#core/procedure/sound';
import {
  afterAnswer,
  choicesFor,
  nextSign,
  SECONDS_TO_RECOGNISE,
  signsOf,
  type Sign,
  type SignsLearned,
} from '#core/rehearsal/recognise';
import { formatNumber } from '#core/units/format';
import { Volume2 } from 'lucide-react';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { playBeeps } from '../../simulated/sound';
import { ToneStrip } from '../../simulated/ToneStrip';
import { Button } from '../../ui/Button';
import { sendPractice } from './sendPractice';

const TICK_MS = 100;

interface Asked {
  sign: Sign;
  choices: string[];
  leftMs: number;
  /** The meaning that was tapped; null where time ran out; undefined while it runs. */
  answer: string | null | undefined;
}

/** One sign after the other: heard and seen, then what it means. What is missed comes back sooner. */
export function SignsDrill({ profile, begun }: { profile: EscProfile; begun: SignsLearned }) {
  const signs = useMemo(() => signsOf(profile), [profile]);
  const [state, setState] = useState(begun);
  const [asked, setAsked] = useState<Asked>();
  const [score, setScore] = useState({ right: 0, shown: 0 });

  const ask = (): void => {
    const sign = nextSign(signs, state.learned, state.turn, asked?.sign.id);
    setAsked({
      sign,
      choices: choicesFor(signs, sign, Math.random),
      leftMs: SECONDS_TO_RECOGNISE * 1000,
      answer: undefined,
    });
    playBeeps(beepsFor(sign));
  };
  const say = (answer: string | null): void => {
    if (!asked || asked.answer !== undefined) return;
    const isRight = answer === asked.sign.meaning;
    const learned = afterAnswer(state.learned, asked.sign, state.turn, isRight);
    const next = { turn: state.turn + 1, learned };
    setState(next);
    setAsked({ ...asked, answer });
    setScore({ right: score.right + (isRight ? 1 : 0), shown: score.shown + 1 });
    const known = Object.entries(learned).map(([id, known]) => ({ id, ...known }));
    void sendPractice(profile.id, { turn: next.turn, signs: known });
  };

  const tick = useEffectEvent((): void => {
    if (!asked || asked.answer !== undefined) return;
    if (asked.leftMs <= TICK_MS) say(null);
    else setAsked({ ...asked, leftMs: asked.leftMs - TICK_MS });
  });
  const isOpen = asked !== undefined && asked.answer === undefined;
  useEffect(() => {
    if (!isOpen) return undefined;
    const timer = setInterval(tick, TICK_MS);
    return () => clearInterval(timer);
  }, [isOpen]);

  return (
    <>
      <p className="mt-2 max-w-2xl text-lg">
        You hear and see what the ESC does. Tap what it means within {SECONDS_TO_RECOGNISE} seconds.
      </p>
      {asked ? (
        <>
          <Shown sign={asked.sign} />
          {isOpen && <Clock leftMs={asked.leftMs} />}
          <fieldset className="mt-4 grid gap-2 sm:grid-cols-2">
            <legend className="mb-1 font-display text-xl font-bold">What does it mean?</legend>
            {asked.choices.map((meaning) => (
              <button
                key={meaning}
                type="button"
                disabled={!isOpen}
                onClick={() => say(meaning)}
                className={`min-h-14 rounded-sm border-2 border-ink px-3.5 text-left text-lg hover:bg-sheet ${asked.answer !== undefined && meaning === asked.sign.meaning ? 'bg-ink text-film' : ''}`}
              >
                {meaning}
              </button>
            ))}
          </fieldset>
          <p className="mt-3 min-h-8 text-lg font-bold" role="status">
            {outcomeOf(asked)}
          </p>
          {!isOpen && (
            <Button look="main" onClick={ask}>
              Next
            </Button>
          )}
        </>
      ) : (
        <Button look="main" onClick={ask} className="mt-4">
          Start
        </Button>
      )}
      {score.shown > 0 && (
        <p className="mt-4 text-muted">
          {score.right} of {score.shown} recognised.
        </p>
      )}
    </>
  );
}

function outcomeOf({ answer, sign }: Asked): string {
  if (answer === undefined) return '';
  if (answer === sign.meaning) return 'Right.';
  return `${answer === null ? 'Too late' : 'No'}: ${sign.meaning}. It comes back soon.`;
}

function Clock({ leftMs }: { leftMs: number }) {
  const seconds = Math.ceil(leftMs / 1000);
  return (
    <div className="mt-4 max-w-xl">
      <p className="text-muted">{formatNumber(seconds, 0)} s left</p>
      <div className="mt-1 h-3 rounded-sm border border-ink">
        <div className="h-full bg-draft" style={{ width: `${leftMs / SECONDS_TO_RECOGNISE / 10}%` }} />
      </div>
    </div>
  );
}

function beepsFor({ shown }: Sign): Beep[] {
  if (shown.kind === 'notes') return beepsOf(shown.notes);
  return shown.kind === 'tone' ? soundOf({ type: 'tone', tone: shown.tone }) : [];
}

function Shown({ sign }: { sign: Sign }) {
  const { shown } = sign;
  if (shown.kind === 'flashes')
    return (
      <p
        className="mt-4 flex min-h-16 flex-wrap items-center gap-2"
        role="img"
        aria-label={`${shown.lamp} lamp, ${shown.count} flashes`}
      >
        {Array.from({ length: shown.count }, (_, n) => (
          <span
            key={n}
            aria-hidden="true"
            className={`h-10 w-4 rounded-xs bg-ink ${n % 5 === 4 ? 'mr-3' : ''}`}
          />
        ))}
        <span className="ml-2 text-muted">{shown.lamp} lamp</span>
      </p>
    );
  const beeps = beepsFor(sign);
  return (
    <p className="mt-4 flex min-h-16 items-center gap-4">
      <ToneStrip beeps={beeps} className="h-14" />
      <Button onClick={() => playBeeps(beeps)}>
        <Volume2 className="size-5" aria-hidden="true" />
        Again
      </Button>
    </p>
  );
}
