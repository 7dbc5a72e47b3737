import { STATIONS, type StationId } from '#core/advice/stationStates';
import type { ListedRig } from '#server/repositories/garageList';
import { Form, Link } from 'react-router';
import { StateMark, STATE_WORDS } from '../../ui/StateMark';
import { OwnersOnly } from '../../ui/OwnersOnly';

interface Props {
  rig: ListedRig;
  archived: boolean;
  /** Whether something is under way: nothing else begins until the list shows what it did. */
  busy: boolean;
}

/** One rig: what it is, where it stands at each station, and what can be done with it from here. */
export function RigRow({ rig, archived, busy }: Props) {
  const { id, name, profileName, hasPicture, standing } = rig;
  return (
    <li className="grid grid-cols-[3.5rem_1fr] items-center gap-x-4 gap-y-1 border-b border-rule py-2 sm:grid-cols-[3.5rem_1fr_auto] lg:grid-cols-[3.5rem_1fr_auto_auto]">
      <Link
        to={`/rigs/${id}`}
        tabIndex={-1}
        aria-hidden="true"
        className="row-span-2 self-start lg:row-span-1"
      >
        {hasPicture ? (
          <img
            src={`/rigs/${id}/picture`}
            alt=""
            loading="lazy"
            className="size-14 rounded-sm border border-rule object-cover"
          />
        ) : (
          <span className="flex size-14 items-center justify-center rounded-sm border border-dashed border-rule font-display text-3xl font-bold text-muted">
            {name.charAt(0)}
          </span>
        )}
      </Link>
      <div className="min-w-0">
        <Link
          to={`/rigs/${id}`}
          className="font-display text-xl leading-tight font-bold wrap-anywhere hover:text-draft"
        >
          {name}
        </Link>
        {standing ? (
          <p className="text-sm text-muted wrap-anywhere">
            {standing.what} · {standing.pack} · {standing.motor} · {profileName}
          </p>
        ) : (
          <p>The saved data of this rig cannot be read. Other rigs are not affected.</p>
        )}
      </div>
      {standing && <StationMarks rigId={id} name={name} standing={standing} />}
      <OwnersOnly>
        <Form method="post" className="col-start-2 flex gap-x-4 text-sm lg:col-start-3 lg:row-start-1">
          <input type="hidden" name="rigId" value={id} />
          {(['copy', archived ? 'unarchive' : 'archive', 'delete'] as const).map((intent) => (
            <button
              key={intent}
              type="submit"
              name="intent"
              value={intent}
              disabled={busy}
              className="min-h-8 pointer-coarse:min-h-11 underline underline-offset-4 hover:text-draft disabled:opacity-50"
            >
              {WORDS[intent]}
              <span className="sr-only"> {name}</span>
            </button>
          ))}
        </Form>
      </OwnersOnly>
    </li>
  );
}

const WORDS = { copy: 'copy', archive: 'archive', unarchive: 'restore', delete: 'delete' } as const;

interface MarksProps {
  rigId: string;
  name: string;
  standing: NonNullable<ListedRig['standing']>;
}

function StationMarks({ rigId, name, standing: { stations, changes } }: MarksProps) {
  return (
    <ol
      className="col-start-2 flex gap-3 self-center sm:col-start-3 sm:row-start-1 lg:col-start-4"
      aria-label={`Stations of ${name}`}
    >
      {(Object.keys(STATIONS) as StationId[]).map((station) => {
        const { state, why } = stations[station];
        return (
          <li key={station}>
            <Link
              to={`/rigs/${rigId}/${station}`}
              className="flex flex-col items-center gap-0.5 text-xs hover:text-draft"
              title={`${STATE_WORDS[state]}: ${why}`}
            >
              <StateMark state={state} count={station === 'load' && state === 'due' ? changes : undefined} />
              {STATIONS[station]}
              <span className="sr-only">
                , {STATE_WORDS[state]}: {why}
              </span>
            </Link>
          </li>
        );
      })}
    </ol>
  );
}
