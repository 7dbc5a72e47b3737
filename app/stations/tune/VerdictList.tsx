import { mayBeMeant, type Verdict } from '#core/advice/verdicts/verdict';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { MovePreviews } from './MovePreviews';
import { TakeUpon } from './TakeUpon';

/** What is dangerous or unwise about the draft, each with the moves that clear it. */
export function VerdictList({ verdicts }: { verdicts: Verdict[] }) {
  const { move, rigId } = useBench();
  return (
    <section aria-label="Verdicts" aria-live="polite" className="grid gap-3">
      {verdicts.map((verdict) => (
        <Notice key={verdict.id} grade={verdict.grade} title={verdict.title}>
          <p className="mt-0.5">{verdict.sentence}</p>
          <p className="mt-1 flex flex-wrap gap-x-4">
            {verdict.remedies.map((remedy) =>
              remedy.kind === 'move' ? (
                <Button key={remedy.label} look="quiet" onClick={() => move(remedy.itemId, remedy.stopId)}>
                  {remedy.label}
                </Button>
              ) : (
                <Button key={remedy.label} look="quiet" asChild>
                  <Link to={`/rigs/${rigId}/${remedy.station}`}>{remedy.label}</Link>
                </Button>
              ),
            )}
          </p>
          <MovePreviews verdict={verdict} />
          {(verdict.grade === 'hazard' || mayBeMeant(verdict)) && <TakeUpon verdict={verdict} />}
        </Notice>
      ))}
    </section>
  );
}
