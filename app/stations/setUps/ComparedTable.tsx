import type { Preview } from '#core/advice/preview';
import { handValuesOf } from '#core/rig/handValues';
import type { Cell, ComparedRow, Side } from '#core/setUps/compare';
import { momentName } from '#core/settings/moments';
import { LONGEST_REASON } from '#core/sheet/intents';
import { Button } from '../../ui/Button';
import { Scrollable } from '../../ui/Scrollable';
import { useBench } from '../bench/BenchContext';
import { numberMoved } from '../tune/MovePreviews';
import type { Effects } from './useEffects';

interface TableProps {
  rows: readonly ComparedRow[];
  left: Side;
  right: Side;
  effects: Effects;
  canAdopt: boolean;
}

/** Compared values, grouped by the moment in which each is felt. */
export function ComparedTable({ rows, left, right, effects, canAdopt }: TableProps) {
  const { rig } = useBench();
  const moments = [...new Set(rows.map(({ moment }) => moment))];
  return (
    <Scrollable label="Compared values">
      <table className="w-full max-w-6xl text-left [&_td]:py-1.5 [&_td]:pr-4 [&_td]:align-top">
        <thead className="text-sm text-muted max-md:hidden">
          <tr>
            {['setting', left.title, right.title, 'what it does here', 'draft'].map((head, place) => (
              <th key={place} scope="col" className="py-1 pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        {moments.map((moment) => (
          <tbody key={moment ?? 'byHand'}>
            <tr>
              <th scope="rowgroup" colSpan={5} className="pt-3 pb-1 font-display text-lg">
                {moment === null ? 'On the model and its radio' : momentName(moment, rig.vehicle.kind)}
              </th>
            </tr>
            {rows
              .filter((row) => row.moment === moment)
              .map((row) => (
                <tr key={row.key} className="border-t border-rule max-md:grid max-md:grid-cols-2">
                  <td className="max-md:col-span-2">{row.name}</td>
                  <td>
                    <Whose title={left.title} />
                    <CellWords cell={row.left} />
                  </td>
                  <td className="font-bold">
                    <Whose title={right.title} />
                    <CellWords cell={row.right} />
                  </td>
                  <td className="text-sm max-md:col-span-2">
                    {row.verdict === 'unsure' ? (
                      'Levels of two makers: not comparable.'
                    ) : (
                      <Effect
                        effect={effects[row.key]}
                        isAsked={canAdopt && row.adopts !== null && row.verdict !== 'same'}
                      />
                    )}
                  </td>
                  <td>{canAdopt && <Adopt row={row} from={right} />}</td>
                </tr>
              ))}
          </tbody>
        ))}
      </table>
    </Scrollable>
  );
}

/** Where the heads of the columns are not in sight. */
const Whose = ({ title }: { title: string }) => (
  <span className="block text-sm font-normal text-muted md:hidden">{title}</span>
);

const CellWords = ({ cell }: { cell: Cell | null }) =>
  cell === null ? (
    <span className="font-normal text-muted">not said</span>
  ) : (
    <>
      {cell.label}
      {cell.meaning && <span className="block text-sm font-normal text-muted">{cell.meaning}</span>}
      {cell.reason && <span className="block text-sm font-normal text-muted">{cell.reason}</span>}
    </>
  );

const NUMBERS_SHOWN = 3;

function Effect({ effect, isAsked }: { effect: Preview | null | undefined; isAsked: boolean }) {
  if (!isAsked) return null;
  if (effect === null) return 'cannot be worked out';
  if (!effect) return <span className="text-muted">…</span>;
  const { changed, raised } = effect;
  return (
    <>
      {changed.length === 0
        ? 'changes no number'
        : changed.slice(0, NUMBERS_SHOWN).map(numberMoved).join('; ')}
      {raised.map(({ id, title }) => (
        <span key={id} className="block text-caution">
          Then: {title}
        </span>
      ))}
    </>
  );
}

/** Takes one value over into the draft, with its source. */
function Adopt({ row, from }: { row: ComparedRow; from: Side }) {
  const { drafted, draft, draftedRig, moveAll } = useBench();
  const { adopts } = row;
  if (!adopts || row.verdict === 'same') return null;
  const key = adopts.kind === 'stop' ? adopts.itemId : adopts.key;
  const isTaken =
    adopts.kind === 'stop'
      ? drafted[adopts.itemId] === adopts.stopId
      : handValuesOf(draftedRig)[adopts.key] === adopts.value;
  if (isTaken)
    return <span className="text-sm text-muted">{draft.reasons[key] ? 'taken over' : 'in the draft'}</span>;
  const reason = [`From “${from.title}”.`, from.reasons[key] ?? ''].filter(Boolean).join(' ');
  const take = (): void =>
    moveAll(
      adopts.kind === 'stop' ? { [adopts.itemId]: adopts.stopId } : {},
      adopts.kind === 'byHand' ? { [adopts.key]: adopts.value } : {},
      { [key]: reason.slice(0, LONGEST_REASON) },
    );
  return (
    <Button look="quiet" className="whitespace-nowrap" onClick={take}>
      Take over<span className="sr-only"> {row.name}</span>
    </Button>
  );
}
