import { draftFromSetUp, type SetUp } from '#core/setUps/setUp';
import { Link, useNavigate } from 'react-router';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

/** A set-up as the draft, whole: what differs is what the load will be. Undo brings back what was drafted. */
export function TakeSetUp({ setUp, isMain = false }: { setUp: SetUp; isMain?: boolean }) {
  const { rigId, rig, profile, holdings, takeDraft } = useBench();
  const navigate = useNavigate();
  if (setUp.profileId !== profile.id)
    return (
      <Link
        className="underline underline-offset-4"
        to={`/rigs/${rigId}/translate?from=set-up:${setUp.id}&to=rig:${rigId}`}
      >
        For another ESC: translate it
      </Link>
    );
  const draft = draftFromSetUp(profile, holdings, rig, setUp);
  const count = Object.keys(draft.stops).length + Object.keys(draft.byHand).length;
  if (count === 0) return <span className="text-muted">as on the ESC and the model</span>;
  const take = (): void => {
    takeDraft(draft);
    void navigate(`/rigs/${rigId}/load`);
  };
  return (
    <Button look={isMain ? 'main' : 'plain'} onClick={take}>
      Load {count} {count === 1 ? 'change' : 'changes'}
      <span className="sr-only"> of {setUp.name}</span>
    </Button>
  );
}
