import { canBeSet } from '#core/sheet/draft';
import { isItsOwn, type AlikeRow } from '#core/setUps/alike';
import type { Cell } from '#core/setUps/compare';
import { Link } from 'react-router';
import { Scrollable } from '../../ui/Scrollable';
import { DraftOn } from './DraftOn';
import type { Member } from './members.server';

/** What differs between members, each beside the first, and the way to end it. */
export function AlikeTable({ rows, members }: { rows: readonly AlikeRow[]; members: readonly Member[] }) {
  const [first, ...others] = members;
  return (
    <Scrollable label="What differs">
      <table className="mt-2 w-full text-left [&_td]:py-1.5 [&_td]:pr-5 [&_td]:align-top">
        <thead className="text-sm text-muted">
          <tr>
            {['setting', ...members.map(({ side }) => side.title)].map((head, place) => (
              <th key={place} scope="col" className="py-1 pr-5 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key} className="border-t border-rule">
              <td>{row.name}</td>
              <td>
                <CellWords cell={row.first} />
              </td>
              {row.others.map(({ cell, verdict }, place) => (
                <td key={place} className={verdict === 'differs' ? 'font-bold text-draft' : ''}>
                  <CellWords cell={cell} />
                  {verdict === 'unsure' && <span className="block text-sm text-muted">not comparable</span>}
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-t border-ink">
            <td colSpan={2} />
            {others.map((other, place) => (
              <td key={`${other.rigId} ${other.escNumber}`}>
                <EndIt first={first!} other={other} rows={rows} place={place} />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </Scrollable>
  );
}

const CellWords = ({ cell }: { cell: Cell | null }) =>
  cell === null ? (
    <span className="text-muted">unknown, or not there</span>
  ) : (
    <>
      {cell.label}
      {cell.meaning && <span className="block text-sm text-muted">{cell.meaning}</span>}
    </>
  );

interface EndProps {
  first: Member;
  other: Member;
  rows: readonly AlikeRow[];
  place: number;
}

/** The way to make one like the first. */
function EndIt({ first, other, rows, place }: EndProps) {
  const its = rows.filter((row) => row.others[place]?.verdict !== 'same');
  if (its.length === 0) return <span className="text-ok">alike</span>;
  // The other ESCs of a model follow its first.
  if (other.escNumber > 1)
    return (
      <Link className="underline underline-offset-4" to={`/rigs/${other.rigId}/load?esc=${other.escNumber}`}>
        Load it like its ESC 1
      </Link>
    );
  if (other.side.profile.id !== first.side.profile.id)
    return (
      <Link
        className="underline underline-offset-4"
        to={`/rigs/${first.rigId}/translate?from=esc&to=rig:${other.rigId}`}
      >
        Translate
      </Link>
    );
  const wanted = first.side.stops;
  const stops = Object.fromEntries(
    other.side.profile.items
      .filter((item) => !isItsOwn(item.setting) && canBeSet(other.side.profile, wanted, item))
      .filter(({ id }) => wanted[id] !== undefined && wanted[id] !== other.side.stops[id])
      .map(({ id }) => [id, wanted[id]!]),
  );
  const byHand = Object.fromEntries(
    Object.entries(first.side.byHand).filter(([key]) =>
      its.some((row) => row.key === key && row.others[place]?.cell),
    ),
  );
  return (
    <DraftOn rigId={other.rigId} like={first.side.title} values={{ stops, byHand }} name={other.side.title} />
  );
}
