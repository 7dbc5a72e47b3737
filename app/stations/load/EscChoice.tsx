import { escNames } from '#core/calibration/escs';
import { OneOf } from '../../ui/OneOf';
import { useBench } from '../bench/BenchContext';

/** Of several ESCs of a model, which one is worked now; each says what it still has to be given. */
export function EscChoice({ onEsc }: { onEsc: (escNumber: number) => void }) {
  const { rig, escNumber, leftByEsc } = useBench();
  if (rig.motorCount === 1) return null;
  return (
    <div className="mt-4 max-w-3xl">
      <OneOf
        legend={`This model has ${rig.motorCount} ESCs that should hold the same. Load them one by one.`}
        name="esc"
        of={escNames(rig).map((name, place) => [
          String(place + 1),
          <span key={name}>
            <strong>{name}</strong>: {leftInWords(leftByEsc[place]!)}
          </span>,
        ])}
        value={String(escNumber)}
        onChoose={(number) => onEsc(Number(number))}
      />
    </div>
  );
}

const leftInWords = (count: number): string =>
  count === 0 ? 'up to date' : `${count} ${count === 1 ? 'value' : 'values'} to load`;
