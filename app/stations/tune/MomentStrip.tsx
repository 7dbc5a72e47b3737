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

interface Piece {
  path: string;
  /** Where it begins and ends on the line. */
  from: number;
  to: number;
}
type Pieces = Partial<Record<MomentId, Piece>>;

const HEIGHT = 96;

/** The line that trigger and speed draw, a piece for each moment; each begins where the one before it ends. */
const PIECES: Record<VehicleKind, Pieces> = {
  wheels: {
    pullAway: { path: 'M0 78C40 78 70 76 92 66', from: 0, to: 92 },
    midPull: { path: 'M92 66C110 52 116 34 146 30C170 28 184 22 214 18', from: 92, to: 214 },
    flatOut: { path: 'M214 18C260 8 300 6 352 6', from: 214, to: 352 },
    letGo: { path: 'M352 6C366 8 374 26 398 28C410 30 414 38 424 40', from: 352, to: 424 },
    brake: { path: 'M424 40C440 46 444 64 462 68C478 70 484 78 494 78', from: 424, to: 494 },
    backUp: { path: 'M494 78C512 88 530 92 556 88C568 86 574 78 584 78', from: 494, to: 584 },
  },
  // A flight: spool-up, climb, cruise, the throttle cut and the propeller stopping.
  propeller: {
    pullAway: { path: 'M0 78C40 78 60 74 86 60', from: 0, to: 86 },
    flatOut: { path: 'M86 60C120 40 140 14 186 8C210 5 226 6 244 10', from: 86, to: 244 },
    midPull: { path: 'M244 10C270 18 280 30 312 32C350 34 376 30 404 32', from: 244, to: 404 },
    letGo: { path: 'M404 32C424 34 434 60 456 70C480 78 540 78 584 78', from: 404, to: 584 },
  },
};

/** One pull of the trigger as a strip of tabs: a setting is found at the moment in which it is felt. */
export function MomentStrip({ kind, moments, changedIn, current, onGo }: Props) {
  return (
    <nav
      aria-label="Moments of driving"
      className="sticky top-0 z-4 -mx-5 overflow-x-auto border-b border-ink bg-film px-3"
    >
      <ul className="flex min-w-max">
        {moments.map((moment) => {
          const changed = changedIn(moment);
          return (
            <li key={moment} className="grow">
              <a
                href={`#moment-${moment}`}
                onClick={() => onGo(moment)}
                aria-current={moment === current ? 'true' : undefined}
                className={`flex min-h-11 flex-col justify-end pt-0.5 text-sm whitespace-nowrap ${
                  moment === current ? 'font-bold text-draft' : ''
                }`}
              >
                <PieceOfLine piece={PIECES[kind][moment]} isCurrent={moment === current} />
                <span className="flex min-h-6 items-center justify-center gap-1 px-1.5">
                  {momentName(moment, kind)}
                  {changed > 0 && (
                    <span className="flex items-center gap-0.5">
                      <DraftMark className="size-3" />
                      {changed}
                      <span className="sr-only">{changed === 1 ? ' value differs' : ' values differ'}</span>
                    </span>
                  )}
                </span>
              </a>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}

/** Its piece of the line, as wide as its tab; what is no moment of driving has a plain one. */
function PieceOfLine({ piece, isCurrent }: { piece: Piece | undefined; isCurrent: boolean }) {
  return (
    <svg
      viewBox={piece ? `${piece.from} 0 ${piece.to - piece.from} ${HEIGHT}` : `0 0 10 ${HEIGHT}`}
      preserveAspectRatio="none"
      className="h-4 w-full"
      aria-hidden="true"
    >
      <path
        d={piece?.path ?? 'M0 78H10'}
        fill="none"
        className={isCurrent ? 'stroke-draft' : piece ? 'stroke-ink' : 'stroke-rule'}
        strokeWidth={isCurrent ? 4 : 2}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
