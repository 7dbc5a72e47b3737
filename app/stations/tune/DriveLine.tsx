import type { VehicleKind } from '#core/rig/rig';
import { momentName, type MomentId } from '#core/settings/moments';
import { DraftMark } from '../../ui/marks';

interface Props {
  kind: VehicleKind;
  /** Moments that this ESC has items for. */
  moments: readonly MomentId[];
  changedIn: (moment: MomentId) => number;
  current: MomentId;
  onGo: (moment: MomentId) => void;
}

type Places = Partial<Record<MomentId, { path: string; x: number; y: number }>>;

/** Where each moment lies on the drawn pull: its part of the line, and where its name stands. */
const PLACES: Record<VehicleKind, Places> = {
  wheels: {
    pullAway: { path: 'M0 78C40 78 70 76 92 66', x: 8, y: 100 },
    midPull: { path: 'M92 66C110 52 116 34 146 30C170 28 184 22 214 18', x: 128, y: 58 },
    flatOut: { path: 'M214 18C260 8 300 6 352 6', x: 244, y: 36 },
    letGo: { path: 'M352 6C366 8 374 26 398 28C410 30 414 38 424 40', x: 356, y: 62 },
    brake: { path: 'M424 40C440 46 444 64 462 68C478 70 484 78 494 78', x: 424, y: 100 },
    backUp: { path: 'M494 78C512 88 530 92 556 88C568 86 574 78 584 78', x: 510, y: 112 },
  },
  // A flight: spool-up, climb, cruise, the throttle cut and the propeller stopping.
  propeller: {
    pullAway: { path: 'M0 78C40 78 60 74 86 60', x: 8, y: 100 },
    flatOut: { path: 'M86 60C120 40 140 14 186 8C210 5 226 6 244 10', x: 118, y: 62 },
    midPull: { path: 'M244 10C270 18 280 30 312 32C350 34 376 30 404 32', x: 286, y: 58 },
    letGo: { path: 'M404 32C424 34 434 60 456 70C480 78 540 78 584 78', x: 452, y: 62 },
  },
};

/** One pull of the trigger, drawn: a setting is found at the moment in which it is felt. */
export function DriveLine({ kind, moments, changedIn, current, onGo }: Props) {
  const places = PLACES[kind];
  const drawn = moments.filter((moment) => places[moment]);
  const below = moments.filter((moment) => !places[moment]);
  return (
    <nav aria-label="Moments of driving">
      <div className="relative">
        <svg viewBox="0 0 600 120" className="hidden w-full sm:block" aria-hidden="true">
          <path d="M0 78H600" className="stroke-rule" strokeWidth="1.5" />
          {(Object.keys(places) as MomentId[]).map((moment) => (
            <path
              key={moment}
              d={places[moment]!.path}
              fill="none"
              className={moment === current ? 'stroke-draft' : 'stroke-ink'}
              strokeWidth={moment === current ? 5 : 2.5}
              strokeLinecap="round"
            />
          ))}
        </svg>
        <ul className="flex flex-wrap gap-x-4 sm:contents">
          {drawn.map((moment) => (
            <li
              key={moment}
              className="sm:absolute"
              style={{
                left: `${(places[moment]!.x / 600) * 100}%`,
                top: `${((places[moment]!.y - 16) / 120) * 100}%`,
              }}
            >
              <Moment
                kind={kind}
                id={moment}
                changed={changedIn(moment)}
                current={moment === current}
                onGo={onGo}
              />
            </li>
          ))}
        </ul>
      </div>
      {below.length > 0 && (
        <ul className="flex flex-wrap gap-x-6 border-b border-rule pb-1 sm:mt-3">
          {below.map((moment) => (
            <li key={moment}>
              <Moment
                kind={kind}
                id={moment}
                changed={changedIn(moment)}
                current={moment === current}
                onGo={onGo}
              />
            </li>
          ))}
        </ul>
      )}
    </nav>
  );
}

interface MomentProps {
  kind: VehicleKind;
  id: MomentId;
  changed: number;
  current: boolean;
  onGo: (moment: MomentId) => void;
}

function Moment({ kind, id, changed, current, onGo }: MomentProps) {
  return (
    <a
      href={`#moment-${id}`}
      onClick={() => onGo(id)}
      aria-current={current ? 'true' : undefined}
      className={`flex min-h-8 items-center gap-1.5 px-1 whitespace-nowrap ${current ? 'font-bold text-draft' : ''}`}
    >
      {momentName(id, kind)}
      {changed > 0 && (
        <span className="flex items-center gap-0.5">
          <DraftMark className="size-3" />
          {changed}
          <span className="sr-only">{changed === 1 ? ' value differs' : ' values differ'}</span>
        </span>
      )}
    </a>
  );
}
