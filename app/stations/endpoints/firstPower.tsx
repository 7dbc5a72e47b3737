import { firmwareLines, firstPowerLines, type CheckLine } from '#core/calibration/firstPower';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { useBenchNotes } from './useBenchNotes';

/** What to look at once per build, before anything gets power, and what the firmware is first. */
export default function FirstPower() {
  const { rig, rigId, profile } = useBench();
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">Before the first power</h1>
      <p className="mt-1 text-muted">
        Once per build, and again after you unplug anything. You need eyes, no tools.
      </p>
      <Lines title="Look" lines={firstPowerLines(rig, profile)} />
      <Lines title="Firmware first" lines={firmwareLines(profile)} />
      <Button look="main" asChild className="mt-6">
        <Link to={`/rigs/${rigId}/endpoints`}>Go on to calibrating</Link>
      </Button>
    </div>
  );
}

function Lines({ title, lines }: { title: string; lines: CheckLine[] }) {
  const { buildChecks } = useBench();
  const done = lines.filter(({ id }) => buildChecks.includes(id)).length;
  return (
    <section className="mt-6">
      <h2 className="flex items-baseline justify-between border-b border-ink pb-1 text-2xl">
        {title}
        <span className="text-base text-muted">
          {done} of {lines.length}
        </span>
      </h2>
      <ul>
        {lines.map((line) => (
          <Line key={line.id} line={line} ticked={buildChecks.includes(line.id)} />
        ))}
      </ul>
    </section>
  );
}

function Line({ line, ticked }: { line: CheckLine; ticked: boolean }) {
  const { send, problem } = useBenchNotes();
  const [shown, setShown] = useState(ticked);
  return (
    <li className="border-b border-rule">
      <label className="flex gap-4 py-2.5">
        <input
          type="checkbox"
          autoComplete="off"
          className="mt-0.5 size-6 shrink-0 accent-draft"
          checked={shown}
          onChange={(event) => {
            setShown(event.target.checked);
            send({ note: 'tick', line: line.id, ticked: event.target.checked });
          }}
        />
        <span>
          <strong>{line.what}</strong>
          <span className="block text-muted">{line.why}</span>
          {problem && <span className="block font-bold text-hazard">{problem}</span>}
        </span>
      </label>
    </li>
  );
}
