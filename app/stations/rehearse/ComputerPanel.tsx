import { labelIn } from '#core/esc/profile';
import { isOn, type PracticeBench } from '#core/rehearsal/bench';
import { canTalk, type ComputerDeed } from '#core/rehearsal/computer';
import type { Lesson } from '#core/rehearsal/lesson';
import { computerNames } from '#core/rehearsal/stepWords';
import { Button } from '../../ui/Button';

interface Props {
  lesson: Lesson;
  bench: PracticeBench;
  onDeed: (deed: ComputerDeed) => void;
}

/** The program on the computer: its adapter, reading, the form, writing. */
export function ComputerPanel({ lesson: { profile, medium }, bench, onDeed }: Props) {
  const { computer } = bench;
  const { plugged, form, busy, broken } = computer;
  const names = computerNames(medium);
  const talks = canTalk(computer, isOn(bench));
  return (
    <section aria-labelledby="computer" className="rounded-sm border border-ink bg-sheet p-4">
      <h2 id="computer" className="text-lg">
        Computer
      </h2>
      <p className="mt-1 min-h-6 text-sm" role="status">
        {statusOf(bench)}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => onDeed({ act: plugged && !broken ? 'unplug' : 'plug' })}>
          {plugged && !broken ? 'Unplug the adapter' : 'Plug the adapter in'}
        </Button>
        <Button disabled={!talks} onClick={() => onDeed({ act: 'read' })}>
          {names.read}
        </Button>
        <Button disabled={!talks || !form} onClick={() => onDeed({ act: 'send' })}>
          {names.send}
        </Button>
      </div>
      {form && (
        <div className="mt-3 grid gap-1.5">
          {profile.items.map((item) => (
            <label
              key={item.id}
              className="grid grid-cols-[minmax(0,1fr)_9rem] items-center gap-2 text-sm wrap-anywhere"
            >
              {labelIn(profile, item)}
              <select
                value={form[item.id]}
                disabled={busy !== undefined}
                onChange={(event) => onDeed({ act: 'set', itemId: item.id, stopId: event.target.value })}
                className="min-h-9 rounded-sm border border-muted bg-film px-1 pointer-coarse:min-h-11"
              >
                {item.stops.map(({ id, label }) => (
                  <option key={id} value={id}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
      )}
    </section>
  );
}

function statusOf(bench: PracticeBench): string {
  const { plugged, broken, busy, form } = bench.computer;
  if (broken) return 'The line is dead. Nobody knows what was written.';
  if (!plugged) return 'No adapter.';
  if (!isOn(bench)) return 'The ESC has no power.';
  if (busy?.doing === 'reading') return 'Reading …';
  if (busy) return `Writing … ${busy.left.length} to go.`;
  return form ? 'The form shows what was read, and what you set.' : 'Plugged in. Nothing read yet.';
}
