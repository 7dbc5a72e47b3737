import { beepsOf, type Beep } from '#core/procedure/sound';
import { beepsInWords } from '#core/procedure/soundWords';

const LOW_Y = 18;
const HIGH_Y = 2;
const PIXELS_PER_MS = 0.09;

/** Notes as they sound: long ones wide, high ones high. For those who cannot hear, and for whoever compares. */
export function ToneStrip({ beeps, className = 'h-7' }: { beeps: Beep[]; className?: string }) {
  const starts = beeps.map((_, place) => lengthOf(beeps.slice(0, place)));
  return (
    <svg
      viewBox={`0 0 ${Math.max(lengthOf(beeps), 1)} 28`}
      role="img"
      aria-label={beepsInWords(beeps)}
      className={`w-auto shrink-0 ${className}`}
    >
      {beeps.map(({ pitch, ms }, place) => (
        <rect
          key={place}
          x={starts[place]}
          y={pitch === 'high' ? HIGH_Y : LOW_Y}
          width={ms * PIXELS_PER_MS}
          height="8"
          rx="2"
          className="fill-ink"
        />
      ))}
    </svg>
  );
}

const lengthOf = (beeps: Beep[]): number =>
  beeps.reduce((sum, { ms, restMs }) => sum + (ms + restMs) * PIXELS_PER_MS, 0);

/** A group of notes drawn. */
export const NoteStrip = ({ notes, className }: { notes: string; className?: string }) => (
  <ToneStrip beeps={beepsOf(notes)} className={className} />
);
