import { Form, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

interface Props {
  changed: readonly string[];
  problem: string | undefined;
  /** Whether everything that was seen has reached the server. */
  ready: boolean;
}

const ACCEPTANCE = [
  'Neutral: the motor is quiet.',
  'A touch of trigger: it starts gently, the right way round.',
  'Full brake, then reverse, if it has one.',
  'Transmitter off, wheels still clear: the motor stops.',
  'Pinion back in mesh, covers closed, wires clear of what turns.',
  'A short first run, then feel motor and ESC: too hot to touch for five seconds is too hot.',
];

/** The end of a load: what to try before driving, and the sheet. */
export function LoadFinished({ changed, problem, ready }: Props) {
  const saving = useNavigation().state !== 'idle';
  return (
    <div>
      <p className="font-display text-4xl leading-tight font-bold lg:text-5xl" data-testid="instruction">
        Every value is counted back.
      </p>
      <p className="mt-4 text-xl">Before it drives, with the wheels clear:</p>
      <ul className="mt-2 list-disc pl-6 text-lg">
        {ACCEPTANCE.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <Form method="post" className="mt-5 max-w-xl">
        {changed.map((id) => (
          <input key={id} type="hidden" name="changed" value={id} />
        ))}
        <label className="block">
          Note for this sheet
          <textarea
            name="note"
            rows={2}
            className="mt-1 w-full rounded-sm border border-muted bg-sheet p-2"
          />
        </label>
        <Button type="submit" look="main" className="mt-3" disabled={saving || !ready}>
          Keep this sheet
        </Button>
      </Form>
      {problem && (
        <div className="mt-3" role="alert">
          <Notice grade="caution" title={`Not kept: ${problem}`} />
        </div>
      )}
    </div>
  );
}
