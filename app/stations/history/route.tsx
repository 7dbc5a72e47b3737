import { hasStop, nameOf, stopById, type ProfileItem } from '#core/esc/profile';
import { HAND_VALUE_KEYS, HAND_VALUES, type HandValueKey } from '#core/rig/handValues';
import { SET_UP_ORIGINS } from '#core/setUps/setUp';
import { FAMILY_WORDS, MEDIA } from '#core/esc/media';
import { EVIDENCE } from '#core/sheet/evidence';
import type { Sheet } from '#core/sheet/sheet';
import {
  changesOfHandValue,
  changesOfItem,
  pageOfHistory,
  type BecameSo,
  type Happened,
} from '#server/repositories/history';
import type { ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button';
import { Pager } from '../../ui/Pager';
import { Time } from '../../ui/Time';
import { useBench } from '../bench/BenchContext';
import { saidOf } from '../runs/RunLine';
import { benchOf } from '../bench/benchData.server';
import { INPUT } from '../rig/formParts';
import { ShelfNav } from '../sheets/ShelfNav';
import { TakeAsDraft } from '../sheets/TakeAsDraft';
import { TakeSetUp } from '../setUps/TakeSetUp';
import type { Route } from './+types/route';

const BY_HAND = 'by-hand:';

export async function loader({ params, request }: Route.LoaderArgs) {
  const { rigId, profile } = await benchOf(params.rigId);
  const { searchParams } = new URL(request.url);
  const of = searchParams.get('of') ?? '';
  const handKey = HAND_VALUE_KEYS.find((key) => BY_HAND + key === of);
  if (handKey) return { of, changes: await changesOfHandValue(rigId, handKey), happened: undefined };
  if (profile.items.some(({ id }) => id === of))
    return { of, changes: await changesOfItem(rigId, of), happened: undefined };
  const happened = await pageOfHistory(rigId, Number(searchParams.get('page') ?? 1));
  return { of, changes: undefined, happened };
}

/** What happened to a rig: all of it, or one value through time. */
export default function HistoryRoute({ loaderData: { of, changes, happened } }: Route.ComponentProps) {
  const { profile, rig } = useBench();
  const [, setParams] = useSearchParams();
  const handKeys = HAND_VALUE_KEYS.filter((key) => HAND_VALUES[key].read(rig) !== undefined);
  return (
    <div className="max-w-4xl px-5 py-6">
      <ShelfNav />
      <h1 className="mt-4 text-3xl">History</h1>
      <label className="mt-3 flex flex-wrap items-center gap-2">
        Of
        <select
          value={of}
          onChange={(event) => setParams(event.target.value === '' ? {} : { of: event.target.value })}
          className={`${INPUT} max-w-80`}
        >
          <option value="">everything</option>
          {profile.items.map((item) => (
            <option key={item.id} value={item.id}>
              {nameOf(item)} (item {item.number} “{item.label}”)
            </option>
          ))}
          {handKeys.map((key) => (
            <option key={key} value={BY_HAND + key}>
              {HAND_VALUES[key].name}
            </option>
          ))}
        </select>
      </label>
      {changes && <Changes of={of} changes={changes} />}
      {happened && happened.lines.length === 0 && (
        <p className="mt-4 text-lg">
          Nothing yet. Loads, runs, calibrations, tests and set-ups will stand here.
        </p>
      )}
      {happened && (
        <>
          <ol className="mt-4">
            {happened.lines.map((one, place) => (
              <li key={place} className="border-t border-rule py-3">
                <Entry happened={one} />
              </li>
            ))}
          </ol>
          <Pager of="entries" {...happened} shown={happened.lines.length} />
        </>
      )}
    </div>
  );
}

function Entry({ happened }: { happened: Happened }) {
  const { rigId, rig } = useBench();
  switch (happened.kind) {
    case 'sheet':
      return (
        <Line at={happened.at} what={SHEETS[happened.origin]}>
          <Link className="underline underline-offset-4" to={`/rigs/${rigId}/sheets/${happened.number}`}>
            Sheet {happened.number}
          </Link>
          {happened.sheet.medium && ` · by ${MEDIA[happened.sheet.medium].words}`}
          {happened.sheet.setUp && ` · for “${happened.sheet.setUp.name}”`}
          <ChangedOn sheet={happened.sheet} />
          <TakeAsDraft
            sheet={happened.sheet}
            byHand={happened.origin === 'imported' ? {} : happened.sheet.byHand}
          />
        </Line>
      );
    case 'calibration':
      return (
        <Line at={happened.at} what="End points">
          ESC {happened.calibration.escNumber}, {FAMILY_WORDS[happened.calibration.family]}
        </Line>
      );
    case 'benchTest':
      return (
        <Line at={happened.at} what={happened.test.kind === 'travel' ? 'Travel test' : 'Supply test'}>
          {happened.test.kind === 'supply' &&
            `${happened.test.test.lowestVolts} V at the lowest, set to ${happened.test.test.setVolts} V`}
        </Line>
      );
    case 'setUp':
      return (
        <Line at={happened.at} what="Set-up">
          <Link className="underline underline-offset-4" to={`/rigs/${rigId}/set-ups/${happened.setUp.id}`}>
            {happened.setUp.name}
          </Link>
          , {SET_UP_ORIGINS[happened.setUp.origin]}
          <p className="mt-1">
            <TakeSetUp setUp={happened.setUp} />
          </p>
        </Line>
      );
    case 'run':
      return (
        <Line at={happened.at} what="Run">
          <Link className="underline underline-offset-4" to={`/rigs/${rigId}/runs/${happened.number}`}>
            Run {happened.number}
          </Link>
          {happened.run.words && ` · “${happened.run.words}”`}
          <p className="text-sm">{saidOf(happened.run, rig.vehicle.kind)}</p>
        </Line>
      );
    case 'firmware':
      return (
        <Line at={happened.at} what="New firmware">
          After it, nothing counts as known until you check it.
        </Line>
      );
  }
}

const SHEETS = { loaded: 'Load', imported: 'Sheet taken in', backup: 'Read before a change' } as const;

const Line = ({ at, what, children }: { at: string; what: string; children: ReactNode }) => (
  <div className="grid gap-x-4 sm:grid-cols-[11rem_9rem_1fr]">
    <span className="text-muted">
      <Time iso={at} />
    </span>
    <strong>{what}</strong>
    <div>{children}</div>
  </div>
);

/** What a load changed, in a line each, with why. */
function ChangedOn({ sheet }: { sheet: Sheet }) {
  const changed = sheet.values.filter(({ itemId }) => sheet.changedItemIds.includes(itemId));
  return (
    <ul className="text-sm">
      {changed.map(({ itemId, itemLabel, stopLabel }) => (
        <li key={itemId}>
          {itemLabel}: <strong>{stopLabel ?? 'unknown'}</strong>
          {sheet.reasons[itemId] && <span className="text-muted"> · {sheet.reasons[itemId]}</span>}
        </li>
      ))}
    </ul>
  );
}

/** One value through time. */
function Changes({ of, changes }: { of: string; changes: readonly BecameSo[] }) {
  const { profile, rigId, moveAll } = useBench();
  const item = profile.items.find(({ id }) => id === of);
  const handKey = HAND_VALUE_KEYS.find((key) => BY_HAND + key === of);
  if (changes.length === 0)
    return (
      <p className="mt-4 text-lg">Nobody has seen it change.{!item && !handKey && ' Choose a value.'}</p>
    );
  return (
    <ol className="mt-4">
      {changes.map(({ at, from, to, basis, sheetNumber, reason, note, setUpName }, place) => (
        <li key={place} className="border-t border-rule py-3">
          <Line at={at} what={inWords(item, handKey, to)}>
            <p>
              {from === null ? 'First seen' : `before: ${inWords(item, handKey, from)}`}
              {basis && ` · ${EVIDENCE[basis]}`}
              {sheetNumber !== null && (
                <>
                  {' · '}
                  <Link className="underline underline-offset-4" to={`/rigs/${rigId}/sheets/${sheetNumber}`}>
                    sheet {sheetNumber}
                  </Link>
                </>
              )}
              {setUpName && ` · for “${setUpName}”`}
            </p>
            <p className="text-muted">{reason || note.split('\n')[0] || 'Nobody wrote down why.'}</p>
            <Button
              look="quiet"
              disabled={item ? !hasStop(item, to) : !handKey}
              onClick={() => {
                const why = { [item?.id ?? handKey!]: `As on ${at.slice(0, 10)}.` };
                if (item) moveAll({ [item.id]: to }, {}, why);
                else moveAll({}, { [handKey!]: Number(to) }, why);
              }}
            >
              Draft it again<span className="sr-only">: {inWords(item, handKey, to)}</span>
            </Button>
          </Line>
        </li>
      ))}
    </ol>
  );
}

function inWords(item: ProfileItem | undefined, handKey: HandValueKey | undefined, value: string): string {
  if (handKey) return `${value}\u00a0${HAND_VALUES[handKey].unit}`;
  return item && hasStop(item, value) ? stopById(item, value).label : value;
}
