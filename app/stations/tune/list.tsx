import type { WaitingDraft } from '#core/advice/goals';
import {
  factoryStops,
  type EscProfile,
  type ProfileItem,
  type StopByItem,
  nameOf,
  stopById,
} from '#core/esc/profile';
import { fittingStops } from '#core/sheet/draft';
import { findItems } from '#core/quick/findItem';
import { DRILLS, drillNumbers, type DrillId } from '#core/physics/drills/runDrill';
import { escBehaviour } from '#core/physics/escChain';
import { resolveRig } from '#core/rig/resolve';
import { withUnit } from '#core/units/format';
import { newestSheets, type StoredSheet } from '#server/repositories/sheets';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { DataTable } from '../../ui/DataTable';
import { escMarkOf, EscMark } from '../../ui/marks';
import { Scrollable } from '../../ui/Scrollable';
import { Term } from '../../ui/Term';
import { unlessAway } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { INPUT } from '../rig/formParts';
import { OtherDraft } from './OtherDraft';
import { ListDialog } from './ListDialog';
import { QuickLine } from './QuickLine';
import type { Route } from './+types/list';

/** More sheets than anybody picks from a list. */
const MOST_COMPARED = 30;

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return { sheets: await newestSheets(rigId, MOST_COMPARED) };
}

export const shouldRevalidate = unlessAway;

/** One set of values to look at beside the draft. */
interface Column {
  name: string;
  stops: StopByItem;
}

/** The whole sheet in the ESC's own order: what it holds, the draft, and any other set of values, with what they do. */
export default function ListRoute({ loaderData }: Route.ComponentProps) {
  const { rigId, profile, believed, drafted, goals } = useBench();
  const columns = columnsOf(profile, believed, loaderData.sheets, goals.waiting);
  const [chosen, setChosen] = useState(FACTORY);
  const [sought, setSought] = useState('');
  const [list, setList] = useState<string>();
  const other = columns.find(({ name }) => name === chosen) ?? columns[0]!;
  const found = findItems(profile, sought).map(({ item }) => item);
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">The whole sheet</h1>
      <p className="mt-1 text-muted">
        In the ESC’s order, with its numbers.{' '}
        <Link to={`/rigs/${rigId}/tune`} className="underline underline-offset-4">
          Back to Tune
        </Link>
      </p>
      <div className="mt-4 flex flex-wrap items-start gap-x-6 gap-y-3">
        <QuickLine onNamed={focusRow} onList={setList} />
        <ListDialog begun={list} onBegin={setList} />
        <label className="flex items-center gap-2">
          Find
          <input
            value={sought}
            onChange={(event) => setSought(event.target.value)}
            placeholder="any name"
            className={`${INPUT} w-40`}
          />
        </label>
        <label className="flex items-center gap-2">
          Compare with
          <select value={other.name} onChange={(event) => setChosen(event.target.value)} className={INPUT}>
            {columns.map(({ name }) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <OtherDraft />
      </div>
      <Scrollable label="The whole sheet" className="mt-4">
        <table className="w-full text-left sm:min-w-140">
          <thead className="text-sm text-muted">
            <tr>
              <th scope="col" className="hidden pr-3 text-right font-normal sm:table-cell">
                item
              </th>
              <th scope="col" className="font-normal">
                setting
              </th>
              <th scope="col" className="pl-3 font-normal">
                on the ESC
              </th>
              <th scope="col" className="pl-3 font-normal">
                draft
              </th>
              <th scope="col" className="pl-3 font-normal">
                {other.name}
              </th>
            </tr>
          </thead>
          <tbody>
            {(sought.trim() === '' ? profile.items : found).map((item) => (
              <Row key={item.id} item={item} otherStopId={other.stops[item.id]} />
            ))}
          </tbody>
        </table>
        {sought.trim() !== '' && found.length === 0 && (
          <p className="py-3" role="status">
            No item of this ESC has that name.
          </p>
        )}
      </Scrollable>
      <Effects
        columns={[{ name: 'on the ESC', stops: believed }, { name: 'draft', stops: drafted }, other]}
      />
    </div>
  );
}

const focusRow = (itemId: string): void => document.getElementById(`row-${itemId}`)?.focus();

const FACTORY = 'the factory';

/** A draft is meant over what the ESC holds; a sheet of another revision counts as far as this one knows it. */
function columnsOf(
  profile: EscProfile,
  believed: StopByItem,
  sheets: readonly StoredSheet[],
  waiting: WaitingDraft | null,
): Column[] {
  const fitting = (stops: StopByItem): StopByItem => fittingStops(profile, stops);
  return [
    { name: FACTORY, stops: factoryStops(profile) },
    ...(waiting
      ? [{ name: `draft ${waiting.name}`, stops: { ...believed, ...fitting(waiting.stops) } }]
      : []),
    ...sheets
      .filter(({ sheet }) => sheet.profileId === profile.id)
      .map(({ number, sheet }) => ({
        name: `sheet ${number}`,
        stops: fitting(
          Object.fromEntries(
            sheet.values.flatMap(({ itemId, stopId }) => (stopId === null ? [] : [[itemId, stopId]])),
          ),
        ),
      })),
  ];
}

function Row({ item, otherStopId }: { item: ProfileItem; otherStopId: string | undefined }) {
  const { holdings, drafted, draft, move } = useBench();
  const holding = holdings[item.id];
  const label = (stopId: string | null | undefined): string =>
    item.stops.find(({ id }) => id === stopId)?.label ?? 'unknown';
  const here = drafted[item.id]!;
  const differs = draft.stops[item.id] !== undefined && here !== holding?.stopId;
  const name = nameOf(item);
  return (
    <tr className="border-t border-rule">
      <td className="hidden pr-3 text-right text-muted sm:table-cell">{item.number}</td>
      <th scope="row" className="py-1.5 font-normal">
        <span className="flex items-center gap-1">
          <span>
            <span className="text-muted sm:hidden">{item.number}. </span>
            {item.label}
          </span>{' '}
          <Term setting={item.setting} />
        </span>
        {name !== item.label && <span className="block text-sm text-muted">{name}</span>}
      </th>
      <td className="pl-3">
        <span className="flex items-center gap-2 sm:whitespace-nowrap">
          <EscMark mark={escMarkOf(holding)} /> {label(holding?.stopId)}
        </span>
      </td>
      <td className="pl-3">
        <select
          id={`row-${item.id}`}
          aria-label={`${name}, draft`}
          value={here}
          onChange={(event) => move(item.id, event.target.value)}
          className={`${INPUT} max-w-28 sm:max-w-44 ${differs ? 'font-bold text-draft' : ''}`}
        >
          {!item.stops.some(({ id }) => id === here) && (
            <option value={here}>{stopById(item, here).label}</option>
          )}
          {item.stops.map(({ id, label: words }) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </td>
      <td className={`pl-3 whitespace-nowrap ${otherStopId === here ? 'text-muted' : 'font-bold'}`}>
        {otherStopId === undefined ? 'not on it' : label(otherStopId)}
      </td>
    </tr>
  );
}

/** What each set of values does, by one drill. */
function Effects({ columns }: { columns: Column[] }) {
  const { draftedRig: rig, profile, memory, drafted, goals } = useBench();
  const names: Partial<Record<DrillId, string>> = DRILLS[rig.vehicle.kind];
  const [drill, setDrill] = useState(Object.keys(names)[0] as DrillId);
  const resolved = useMemo(() => resolveRig(rig, profile, goals.use), [rig, profile, goals.use]);
  const told = columns.map(({ name, stops }) => ({
    name,
    // What a sheet does not know stays as drafted.
    numbers: drillNumbers(
      drill,
      resolved,
      escBehaviour(profile, { ...drafted, ...stops }, rig.channel, memory.range, rig.pack.cells),
    ),
  }));
  const rows = told.map(({ numbers }) => numbers).toSorted((a, b) => b.length - a.length)[0]!;
  return (
    <section aria-labelledby="effects" className="mt-8">
      <h2 id="effects" className="border-b border-ink pb-1 text-2xl">
        What they do
      </h2>
      <label className="mt-2 flex items-center gap-2">
        Drill
        <select value={drill} onChange={(event) => setDrill(event.target.value as DrillId)} className={INPUT}>
          {Object.entries(names).map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <DataTable
        label="What they do"
        heads={['number', ...told.map(({ name }) => ({ name, isNumber: true as const }))]}
        className="max-w-3xl min-w-100"
      >
        {rows.map((number) => (
          <tr key={number.id}>
            <th scope="row">{number.name}</th>
            {told.map(({ name, numbers }) => {
              const value = numbers.find(({ id }) => id === number.id)?.value;
              return (
                <td key={name} className="pl-3 text-right whitespace-nowrap">
                  {value === undefined ? 'never' : withUnit(value, number.unit, number.decimals)}
                </td>
              );
            })}
          </tr>
        ))}
      </DataTable>
      {rows.length === 0 && (
        <p>This drill gives no result with this rig’s numbers. Check them on the Rig page.</p>
      )}
    </section>
  );
}
