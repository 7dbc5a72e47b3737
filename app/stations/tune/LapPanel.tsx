import { PIECE_KINDS, lapSeconds, type Lap, type LapPiece, type PieceKind } from '#core/physics/lap';
import {
  chargesFor,
  knownLap,
  LAPS,
  lapsFor,
  MOST_PIECES,
  USE_BOUNDS,
  type LapId,
  type Use,
} from '#core/rig/use';
import type { VehicleKind } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import { Plus, X } from 'lucide-react';
import { useId, useState } from 'react';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** The lap behind the stint: which, how hard it is driven or flown, for how long, and how full the pack begins. */
export function LapPanel() {
  const { draftedRig: rig, goals, changeGoals } = useBench();
  const { use } = goals;
  const change = (by: Partial<Use>): void => changeGoals({ use: { ...use, ...by } });
  const id = useId();
  const charges = chargesFor(rig.pack.chemistry);
  const known: Lap = knownLap(use.lapId);
  const isEdited = JSON.stringify(use.lap.pieces) !== JSON.stringify(known.pieces);
  return (
    <section aria-labelledby={`${id}-title`} className="mt-4 border-t border-rule pt-3">
      <h3 id={`${id}-title`} className="font-bold">
        The lap
      </h3>
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-2">
        <Labelled id={`${id}-lap`} label="Lap">
          <select
            id={`${id}-lap`}
            value={use.lapId}
            onChange={(event) => {
              const lapId = event.target.value as LapId;
              change({
                lapId,
                lap: { ...knownLap(lapId), howHardPercent: use.lap.howHardPercent },
              });
            }}
            className={INPUT}
          >
            {lapsFor(rig.vehicleClass).map((lapId) => (
              <option key={lapId} value={lapId}>
                {LAPS[lapId].name}
                {lapId === use.lapId && isEdited ? ', edited' : ''}
              </option>
            ))}
          </select>
        </Labelled>
        <Labelled id={`${id}-hard`} label="How hard" unit="%">
          <NumberField
            id={`${id}-hard`}
            value={use.lap.howHardPercent}
            bounds={USE_BOUNDS.howHardPercent}
            onChange={(howHardPercent) => change({ lap: { ...use.lap, howHardPercent } })}
          />
        </Labelled>
        <Labelled id={`${id}-race`} label="Has to last" unit="min">
          <NumberField
            id={`${id}-race`}
            value={use.raceMinutes}
            bounds={USE_BOUNDS.raceMinutes}
            onChange={(raceMinutes) => change({ raceMinutes })}
            onEmpty={() => change({ raceMinutes: null })}
          />
        </Labelled>
        <Labelled id={`${id}-charge`} label="Charged to" unit="V a cell">
          <select
            id={`${id}-charge`}
            value={charges.includes(use.chargedVoltsPerCell ?? 0) ? use.chargedVoltsPerCell! : ''}
            onChange={(event) =>
              change({
                chargedVoltsPerCell: event.target.value === '' ? null : Number(event.target.value),
              })
            }
            className={INPUT}
          >
            <option value="">full</option>
            {charges.map((volts) => (
              <option key={volts} value={volts}>
                {volts.toFixed(2)}
              </option>
            ))}
          </select>
        </Labelled>
      </div>
      <details className="mt-2">
        <summary className="min-h-11 cursor-pointer py-2">
          Pieces of the lap: {use.lap.pieces.length}, {formatNumber(lapSeconds(use.lap), 1)} s in all
        </summary>
        <Pieces
          key={use.lapId}
          pieces={use.lap.pieces}
          kind={rig.vehicle.kind}
          onChange={(pieces) => change({ lap: { ...use.lap, pieces } })}
        />
        {isEdited && (
          <Button look="quiet" onClick={() => change({ lap: { ...use.lap, pieces: known.pieces } })}>
            Back to the usual pieces
          </Button>
        )}
      </details>
    </section>
  );
}

function Labelled({
  id,
  label,
  unit,
  children,
}: {
  id: string;
  label: string;
  unit?: string;
  children: React.ReactNode;
}) {
  return (
    <span className="flex items-center gap-2">
      <label htmlFor={id}>{label}</label>
      {children}
      {unit}
    </span>
  );
}

interface NumberFieldProps {
  id?: string;
  label?: string;
  value: number | null;
  bounds: readonly [least: number, most: number];
  onChange: (value: number) => void;
  /** Left out where a number has to stand. */
  onEmpty?: () => void;
}

/** Counts as soon as it is a number within its bounds; until then the last one stays, and the field says so. */
function NumberField({ id, label, value, bounds: [least, most], onChange, onEmpty }: NumberFieldProps) {
  const [typed, setTyped] = useState<string>();
  const words = useId();
  const numberOf = (text: string): number | undefined => {
    const number = Number(text.replace(',', '.').replace('−', '-'));
    return text !== '' && number >= least && number <= most ? number : undefined;
  };
  const isWrong = typed !== undefined && numberOf(typed) === undefined && !(typed === '' && onEmpty);
  return (
    <>
      <input
        id={id}
        aria-label={label}
        inputMode="decimal"
        value={typed ?? (value === null ? '' : String(value))}
        onChange={(event) => {
          const text = event.target.value.trim();
          setTyped(text);
          const number = numberOf(text);
          if (number !== undefined) onChange(number);
          else if (text === '') onEmpty?.();
        }}
        onBlur={() => setTyped(undefined)}
        aria-invalid={isWrong}
        aria-describedby={isWrong ? words : undefined}
        className={`${INPUT} w-16 px-2 text-right`}
      />
      {isWrong && (
        <span id={words} role="alert" className="text-sm text-hazard">
          From {formatNumber(least, 1)} to {formatNumber(most, 0)}.
        </span>
      )}
    </>
  );
}

function Pieces({
  pieces,
  kind,
  onChange,
}: {
  pieces: readonly LapPiece[];
  kind: VehicleKind;
  onChange: (pieces: readonly LapPiece[]) => void;
}) {
  const put = (place: number, by: Partial<LapPiece>): void =>
    onChange(pieces.map((piece, n) => (n === place ? { ...piece, ...by } : piece)));
  return (
    <>
      <p className="text-sm text-muted">
        {kind === 'wheels'
          ? 'Trigger above 0 pulls, below 0 brakes. A corner takes speed away; a climb is 30° steep.'
          : 'Only throttle and time count here, not the name of the piece.'}
      </p>
      <ol className="mt-1">
        {pieces.map((piece, place) => (
          // A piece has nothing but its place.
          <li key={place} className="flex flex-wrap items-center gap-1.5 border-t border-rule py-1.5">
            <select
              aria-label={`Piece ${place + 1}`}
              value={piece.kind}
              onChange={(event) => put(place, { kind: event.target.value as PieceKind })}
              className={`${INPUT} w-28 px-2`}
            >
              {Object.entries(PIECE_KINDS).map(([kind, words]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </select>
            <NumberField
              label={`Trigger in piece ${place + 1}, %`}
              value={piece.triggerPercent}
              bounds={USE_BOUNDS.triggerPercent}
              onChange={(triggerPercent) => put(place, { triggerPercent })}
            />
            %
            <NumberField
              label={`Time of piece ${place + 1}, s`}
              value={piece.seconds}
              bounds={USE_BOUNDS.seconds}
              onChange={(seconds) => put(place, { seconds })}
            />
            s
            {pieces.length > 1 && (
              <Button
                look="quiet"
                aria-label={`Remove piece ${place + 1}`}
                onClick={() => onChange(pieces.filter((_, n) => n !== place))}
              >
                <X className="size-5" aria-hidden="true" />
              </Button>
            )}
          </li>
        ))}
      </ol>
      {pieces.length < MOST_PIECES && (
        <Button
          look="quiet"
          onClick={() => onChange([...pieces, { kind: 'straight', triggerPercent: 50, seconds: 2 }])}
        >
          <Plus className="size-5" aria-hidden="true" />
          Add a piece
        </Button>
      )}
    </>
  );
}
