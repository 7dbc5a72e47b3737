import type { ConditionRow } from '#core/setUps/conditions';
import { Notice } from '../../ui/Notice';

/** What is not alike round two sets of values: with another motor, pack or ground they do something else. */
export function ConditionList({
  rows,
  left,
  right,
}: {
  rows: readonly ConditionRow[];
  left: string;
  right: string;
}) {
  return (
    <div className="mt-3 max-w-3xl">
      <Notice grade="note" title="These conditions differ: the same values will do something else.">
        <ul>
          {rows.map(({ name, left: was, right: is }) => (
            <li key={name}>
              {name}: {was} <span className="text-muted">({left})</span>, {is}{' '}
              <span className="text-muted">({right})</span>
            </li>
          ))}
        </ul>
      </Notice>
    </div>
  );
}
