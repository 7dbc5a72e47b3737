import { handStep } from '#core/plan/handStep';
import { handChangeTitle, type HandChange } from '#core/rig/handValues';
import { useEffect, useRef } from 'react';
import { useFetcher } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { answered, type NotKept } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import type { LoadAnswer } from './loadAnswer';

interface Props {
  /** What is left to do by hand, in order; at least one. */
  changes: readonly HandChange[];
}

/** What is done by hand on the model or its radio: one step at a time, on the user's word. */
export function HandSteps({ changes }: Props) {
  const fetcher = useFetcher<LoadAnswer | NotKept>();
  const [change, ...then] = changes;
  const done = useRef<HTMLButtonElement>(null);
  const key = change?.key;
  const isSaving = fetcher.state !== 'idle';
  // Both hands are on the model: the space bar says that it is done.
  useEffect(() => {
    if (!isSaving) done.current?.focus();
  }, [key, isSaving]);
  if (!change) return null;
  const { line, detail } = handStep(change);
  const sentence = isSaving ? undefined : answered(fetcher.data)?.sentence;
  return (
    <div>
      <p className="text-muted" data-testid="progress">
        {handChangeTitle(change)}
      </p>
      <p
        className="mt-5 font-display text-3xl leading-tight font-bold sm:text-4xl lg:text-5xl"
        data-testid="instruction"
      >
        {line}
      </p>
      <p className="mt-3 max-w-2xl text-lg lg:text-xl">{detail}</p>
      <fetcher.Form method="post" className="mt-6">
        <input type="hidden" name="byHand" value={change.key} />
        <input type="hidden" name="value" value={change.to} />
        <Button ref={done} type="submit" look="main" disabled={isSaving}>
          Done
        </Button>
      </fetcher.Form>
      <div className="mt-3 max-w-2xl" role="alert">
        {sentence && <Notice grade="caution" title={sentence} />}
      </div>
      {!isSaving && <AwayNotice answer={fetcher.data} />}
      {then.length > 0 && (
        <>
          <h2 className="mt-6 text-lg">Then</h2>
          <ol className="mt-1 list-decimal pl-6 text-muted">
            {then.map((next) => (
              <li key={next.key}>{handStep(next).line}</li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}
