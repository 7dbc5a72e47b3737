import { itemById } from '#core/esc/profile';
import type { Gesture } from '#core/plan/gestures';
import type { LoadSession } from '#core/plan/loadSession';
import { mishapsAt } from '#core/plan/mishaps';
import type { Bench } from '../../simulated/useSimulatedEsc';
import { Button } from '../../ui/Button';

interface Props {
  bench: Bench;
  /** The step that is due, if the hand has one. */
  due: Gesture | undefined;
  session: LoadSession;
}

/** Mistakes to make on purpose: to see how the guide brings one back. */
export function MishapPanel({ bench, due, session }: Props) {
  const { machine, profile } = bench.esc;
  const mishaps = mishapsAt(machine, bench.resting, due);
  const stored = session.concerned.findLast((itemId) => session.held[itemId] === session.target[itemId]);
  const losable = session.showsStored ? stored : undefined;
  return (
    <details className="rounded-sm border border-rule px-3.5 py-2">
      <summary className="min-h-9 cursor-pointer py-1 font-bold">Make a mistake on purpose</summary>
      <p className="text-sm text-muted">Better here than on a real ESC. See how the guide recovers.</p>
      <ul className="mt-2 grid gap-2 pb-2">
        {mishaps.map(({ id, words, inputs }) => (
          <li key={id}>
            <Button className="w-full" onClick={() => bench.play(inputs)}>
              {words}
            </Button>
          </li>
        ))}
        {losable !== undefined && (
          <li>
            <Button className="w-full" onClick={() => bench.lose(losable)}>
              the ESC forgets “{itemById(profile, losable).label}”
            </Button>
          </li>
        )}
      </ul>
    </details>
  );
}
