import { FACTORY_PASS_CODE } from '#core/link/protocol';
import { useState, type SyntheticEvent } from 'react';
import { useRevalidator } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { askLink } from './useLinkJob';

/** The ESC did not let us in: asks for its pass code. */
export function SayPassCode({ onSaid }: { onSaid: () => void }) {
  return (
    <div className="mt-3">
      <p>
        Ask the person who set it. If nobody knows it, reset the adapter as its maker says; that brings back{' '}
        {FACTORY_PASS_CODE}.
      </p>
      <PassCodeForm label="Its pass code" submit="Use this one" what="sayPassCode" onDone={onSaid} />
    </div>
  );
}

/** Points out that anybody near knows the pass code, and changes it. */
export function FactoryPassCode() {
  const { hasFactoryPassCode } = useBench();
  const { revalidate } = useRevalidator();
  const [changed, setChanged] = useState(false);
  if (changed)
    return (
      <p className="mt-4" role="status">
        The pass code is changed. Write it down: nobody can read it from the ESC.
      </p>
    );
  if (!hasFactoryPassCode) return null;
  const done = (): void => {
    setChanged(true);
    void revalidate();
  };
  return (
    <div className="mt-4">
      <Notice grade="caution" title={`The pass code is still the factory one, ${FACTORY_PASS_CODE}.`}>
        <p>Anybody near who knows it can change this ESC by radio.</p>
        <PassCodeForm label="New pass code" submit="Change it" what="changePassCode" onDone={done} />
      </Notice>
    </div>
  );
}

interface FormProps {
  label: string;
  submit: string;
  what: 'sayPassCode' | 'changePassCode';
  onDone: () => void;
}

function PassCodeForm({ label, submit, what, onDone }: FormProps) {
  const { rigId } = useBench();
  const [passCode, setPassCode] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const send = async (): Promise<void> => {
    setBusy(true);
    const answer = await askLink(`/rigs/${rigId}/link`, { do: what, passCode });
    setBusy(false);
    if (!answer) setProblem('The server does not answer. Try again in a moment.');
    else if (answer.body.sentence !== undefined) setProblem(answer.body.sentence);
    else onDone();
  };
  const onSubmit = (event: SyntheticEvent): void => {
    event.preventDefault();
    void send();
  };
  return (
    <form onSubmit={onSubmit} className="mt-3 flex flex-wrap items-center gap-3">
      <label className="flex items-center gap-2">
        {label}
        <input
          value={passCode}
          onChange={(event) => setPassCode(event.target.value)}
          inputMode="numeric"
          autoComplete="off"
          maxLength={4}
          className="min-h-11 w-24 rounded-sm border border-muted bg-sheet px-2"
        />
      </label>
      <Button type="submit" disabled={busy}>
        {submit}
      </Button>
      {problem !== '' && (
        <p className="w-full font-bold text-hazard" role="alert">
          {problem}
        </p>
      )}
    </form>
  );
}
