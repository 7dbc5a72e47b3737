import { mediumOf } from '#core/esc/media';
import { numbersOf } from '#core/esc/numberField';
import { labelIn } from '#core/esc/profile';
import type { Lesson } from '#core/rehearsal/lesson';
import { NoteStrip } from '../../simulated/ToneStrip';

/** The folded manual of the ESC: its items and stops, with their numbers and notes. */
export function ManualPanel({ lesson: { profile, medium }, isOpen }: { lesson: Lesson; isOpen: boolean }) {
  if (!medium) return null;
  const tones = mediumOf(profile.media, 'stickTones');
  const toggle = mediumOf(profile.media, 'stickToggle');
  const isHeard = medium.family === 'stickTones' || medium.family === 'stickToggle';
  const notes = (isHeard && (tones ?? toggle)) || undefined;
  const mostStops = Math.max(...profile.items.map(({ stops }) => stops.length));
  return (
    <details className="mt-6 rounded-sm border border-ink bg-sheet px-3.5 py-2" open={isOpen}>
      <summary className="min-h-9 cursor-pointer py-1 font-display text-lg font-bold">The manual</summary>
      <ol className="gap-x-6 pb-1 text-sm wrap-anywhere md:columns-2">
        {profile.items.map((item) => {
          const numbers = numbersOf(item);
          const named = item.stops.filter((stop) => !numbers.includes(stop));
          return (
            <li key={item.id} className="break-inside-avoid border-t border-rule py-1.5">
              <strong>
                {item.number} {labelIn(profile, item)}
              </strong>
              {notes?.itemNotes[item.number - 1] !== undefined && (
                <NoteStrip notes={notes.itemNotes[item.number - 1]!} className="h-5" />
              )}
              <span className="block text-muted">
                {named.map(({ number, label }) => `${number} ${label}`).join(' · ')}
                {numbers.length > 0 && ` · ${numbers[0]!.label} to ${numbers.at(-1)!.label}`}
              </span>
            </li>
          );
        })}
      </ol>
      {isHeard && tones && (
        <ol className="grid grid-cols-2 gap-2 border-t border-rule py-1.5 text-sm">
          {tones.stopNotes.slice(0, mostStops).map((one, place) => (
            <li key={one}>
              stop {place + 1}
              <NoteStrip notes={one} className="h-5" />
            </li>
          ))}
        </ol>
      )}
      {notes && (
        <p className="border-t border-rule py-1.5 text-sm">
          the way out
          <NoteStrip notes={notes.exitNotes} className="h-5" />
        </p>
      )}
    </details>
  );
}
