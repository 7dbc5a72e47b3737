import { compareSides, type ComparedRow, type Side } from '#core/setUps/compare';
import { unlikeConditions } from '#core/setUps/conditions';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useBench } from '../bench/BenchContext';
import { ComparedTable } from './ComparedTable';
import { ConditionList } from './ConditionList';
import { useEffects } from './useEffects';

interface Props {
  left: Side;
  right: Side;
  /** Where the right one came from; undefined for a file. */
  rightKey: string | undefined;
}

const NO_ROWS: readonly ComparedRow[] = [];

/** Two sides: what of them differs, by moments, and what each difference would do on this rig. */
export function Compared({ left, right, rightKey }: Props) {
  const { rigId, rig, profile } = useBench();
  const { kind } = rig.vehicle;
  const rows = useMemo(() => compareSides(left, right, kind), [left, right, kind]);
  // Two sides of another ESC than this rig's: their ids may be the same, and mean something else.
  const isOurs = [left, right].every((side) => side.profile.id === profile.id);
  const effects = useEffects(left, isOurs ? rows : NO_ROWS);
  const differing = rows.filter(({ verdict }) => verdict !== 'same');
  const same = rows.filter(({ verdict }) => verdict === 'same');
  const unlike =
    left.conditions && right.conditions ? unlikeConditions(left.conditions, right.conditions) : [];
  const isOtherEsc = left.profile.id !== right.profile.id;
  return (
    <>
      {unlike.length > 0 && <ConditionList rows={unlike} left={left.title} right={right.title} />}
      {isOtherEsc && (
        <p className="mt-3 max-w-3xl">
          Two kinds of ESC: compared by meaning. Levels without a size cannot be compared.{' '}
          {right.profile.id !== profile.id && rightKey?.startsWith('rig:') && (
            <Link className="underline underline-offset-4" to={`/rigs/${rigId}/translate?from=${rightKey}`}>
              Translate it for this ESC
            </Link>
          )}
        </p>
      )}
      <p className="mt-4 text-lg" role="status">
        {differing.length === 0
          ? 'Nothing differs.'
          : `${differing.length} ${differing.length === 1 ? 'value differs' : 'values differ'}, ${same.length} the same.`}
      </p>
      {differing.length > 0 && (
        <ComparedTable rows={differing} left={left} right={right} effects={effects} canAdopt={isOurs} />
      )}
      {same.length > 0 && (
        <details className="mt-4">
          <summary className="min-h-11 cursor-pointer py-2">{same.length} the same</summary>
          <ComparedTable rows={same} left={left} right={right} effects={{}} canAdopt={false} />
        </details>
      )}
    </>
  );
}
