import { itemForSetting } from '#core/esc/profile';
import { advisedDeadband, advisedEndPointMargin } from '#core/calibration/margins';
import { restMicros } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { useState, type ChangeEvent, type ClipboardEvent } from 'react';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import type { SeriesAnswer } from '../../workers/pulses.worker';
import { useBench } from '../bench/BenchContext';
import { useBenchNotes } from './useBenchNotes';
import { useChosenEsc } from './useEndpoints';
import { useSeries } from './useSeries';

/** From here on a pasted text is looked at without being shown, characters. */
const LONG = 10_000;

/** How still the radio is: a recorded series of pulse widths, and what it asks of deadband and end points. */
export default function Pulses() {
  const { rig } = useBench();
  const { frameMs, stepMicros } = rig.channel;
  const [text, setText] = useState('');
  const { answer, busy, analyse } = useSeries(frameMs, stepMicros);
  const upload = async (event: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const file = event.target.files?.[0];
    if (file) await analyse(await file.text());
  };
  const paste = (event: ClipboardEvent<HTMLTextAreaElement>): void => {
    const pasted = event.clipboardData.getData('text');
    if (pasted.length < LONG) return;
    // A text field takes seconds over so many lines, and nobody reads them there.
    event.preventDefault();
    setText('');
    void analyse(pasted);
  };
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">How still is the radio?</h1>
      <p className="mt-1 max-w-3xl text-muted">
        Hold the throttle still and record ten seconds or more. Use a logic analyser, a computer board or a
        telemetry log. One pulse per line, in µs.
      </p>
      <label className="mt-4 block">
        <span className="block text-sm text-muted">Pulses, pasted</span>
        <textarea
          value={text}
          onChange={(event) => setText(event.target.value)}
          onPaste={paste}
          rows={5}
          spellCheck={false}
          className="w-full max-w-3xl rounded-sm border border-muted bg-sheet p-2 font-mono"
        />
      </label>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <Button look="main" disabled={busy || text.trim() === ''} onClick={() => void analyse(text)}>
          Open them
        </Button>
        <label className="flex min-w-0 flex-wrap items-center gap-3">
          <span className="whitespace-nowrap">or a file</span>
          <input
            type="file"
            className="max-w-full min-w-0"
            accept=".csv,.txt,.tsv,.log,text/*"
            onChange={(event) => void upload(event)}
          />
        </label>
        {busy && <p role="status">Working …</p>}
      </div>
      {answer && <Answer answer={answer} />}
    </div>
  );
}

function Answer({ answer: { remarks, found } }: { answer: SeriesAnswer }) {
  return (
    <section className="mt-6" aria-label="Result" aria-live="polite">
      {remarks.length > 0 && (
        <Notice grade="note" title="Notes on the data:">
          <ul className="list-disc pl-5">
            {remarks.map((remark) => (
              <li key={remark}>{remark}</li>
            ))}
          </ul>
        </Notice>
      )}
      {!found && (
        <p className="mt-3 font-bold text-hazard">
          This holds fewer than two pulse widths. Type one per line, between 500 and 2500 µs.
        </p>
      )}
      {found && <Found {...found} />}
    </section>
  );
}

function Found({ statistics, envelope }: NonNullable<SeriesAnswer['found']>) {
  const { rig, profile, move } = useBench();
  const { range } = useChosenEsc();
  const notes = useBenchNotes();
  const item = itemForSetting(profile, 'deadband');
  const deadband = advisedDeadband(
    statistics,
    item,
    profile.deadbandMicrosEachSide,
    restMicros(rig.channel) - range.neutralMicros,
  );
  const margin = advisedEndPointMargin(statistics, rig.channel);
  const { outliers } = statistics;
  const facts: [string, string][] = [
    ['Pulses', String(statistics.count)],
    ['Mean', `${formatNumber(statistics.meanMicros, 2)} µs`],
    ['Deviation', `${formatNumber(statistics.deviationMicros, 2)} µs`],
    [
      'Lowest to highest',
      `${formatNumber(statistics.leastMicros, 1)} – ${formatNumber(statistics.mostMicros, 1)} µs`,
    ],
    ['Peak to peak', `${formatNumber(statistics.peakToPeakMicros, 1)} µs`],
    ['Drift', `${formatNumber(statistics.driftMicrosPerMinute, 2)} µs a minute`],
    [
      'Outliers',
      outliers.length === 0
        ? 'none'
        : `${outliers.length}: ${outliers
            .slice(0, 3)
            .map(({ place, micros }) => `${formatNumber(micros, 0)} µs at ${place + 1}`)
            .join(', ')}${outliers.length > 3 ? ' …' : ''}`,
    ],
  ];
  return (
    <>
      <Strip envelope={envelope} />
      <div className="mt-4 grid gap-6 md:grid-cols-2">
        <dl className="grid grid-cols-[auto_1fr] content-start gap-x-5 gap-y-1.5">
          {facts.map(([name, value]) => (
            <div key={name} className="contents">
              <dt className="text-muted">{name}</dt>
              <dd className="font-bold">{value}</dd>
            </div>
          ))}
        </dl>
        <div className="grid content-start gap-5">
          <section>
            <h2 className="text-xl">
              Deadband: {formatNumber(deadband.neededMicros, 0)} µs each side at least
            </h2>
            <p className="text-muted">{deadband.reason}</p>
            {item && deadband.stop && (
              <Button className="mt-2" onClick={() => move(item.id, deadband.stop!.id)}>
                Draft {deadband.stop.label}
              </Button>
            )}
          </section>
          <section>
            <h2 className="text-xl">End points: {margin.percent} % more after calibrating</h2>
            <p className="text-muted">{margin.reason}</p>
          </section>
          <div className="flex flex-wrap items-center gap-4">
            <Button
              disabled={notes.busy}
              onClick={() =>
                notes.send({ note: 'jitter', jitterMicros: Number(statistics.deviationMicros.toFixed(3)) })
              }
            >
              Save the jitter to this rig
            </Button>
            <p role="status" className="font-bold text-ok">
              {notes.kept && 'Saved to the rig.'}
            </p>
          </div>
        </div>
      </div>
    </>
  );
}

const WIDTH = 900;
const HEIGHT = 120;

/** The series as it ran, every peak kept. */
function Strip({ envelope }: { envelope: { least: number; most: number }[] }) {
  const least = Math.min(...envelope.map((part) => part.least));
  const most = Math.max(...envelope.map((part) => part.most));
  const y = (micros: number): number => HEIGHT - ((micros - least) / Math.max(most - least, 1)) * HEIGHT;
  const width = WIDTH / envelope.length;
  return (
    <figure className="mt-4 rounded-sm border border-rule bg-sheet p-3">
      <figcaption className="text-sm text-muted">
        Pulses in their order, {formatNumber(least, 0)} to {formatNumber(most, 0)} µs
      </figcaption>
      <svg
        viewBox={`0 -4 ${WIDTH} ${HEIGHT + 8}`}
        className="h-32 w-full"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        {envelope.map((part, place) => (
          <rect
            key={place}
            x={place * width}
            y={y(part.most)}
            width={width}
            height={Math.max(2, y(part.least) - y(part.most))}
            className="fill-ink"
          />
        ))}
      </svg>
    </figure>
  );
}
