import type { KeptMeasurement, MeasuredLine } from '#core/calibration/keptMeasurement';
import { escBehaviour } from '#core/physics/escChain';
import { quantityAt, rigField } from '#core/rig/fields';
import { resolveRig } from '#core/rig/resolve';
import { MEASUREMENTS, measurementsOf, type MeasurementId } from '#core/runs/measure/measurements';
import type { Measured, Measurement, Typed } from '#core/runs/measure/measurement';
import { formatNumber, withUnit } from '#core/units/format';
import type { Problem, Result } from '#core/units/problem';
import { readNumber } from '#core/units/readNumber';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../../ui/Button';
import { DataTable } from '../../../ui/DataTable';
import { OneOf } from '../../../ui/OneOf';
import { Problems } from '../../../ui/Problems';
import { Time } from '../../../ui/Time';
import { useBench } from '../../bench/BenchContext';
import { useBenchNotes } from '../../endpoints/useBenchNotes';
import { INPUT } from '../../rig/formParts';
import { RunsNav } from '../RunsNav';

/** Measurements: how each is done safely, and its number at once beside the model's. */
export default function MeasureRoute() {
  const { rig, rigId, benchTests } = useBench();
  const { kind } = rig.vehicle;
  const [chosen, setChosen] = useState<MeasurementId>();
  const kept = benchTests.flatMap((one) => (one.kind === 'measured' ? [one] : []));
  return (
    <div className="max-w-6xl px-5 py-6">
      <RunsNav />
      <h1 className="mt-4 text-3xl">Measure</h1>
      <p className="mt-1 max-w-2xl text-muted">
        One number that is measured is worth ten that are assumed. Servos and BEC are tested{' '}
        <Link to={`/rigs/${rigId}/endpoints/supply`} className="underline underline-offset-4">
          under Endpoints
        </Link>
        . What a named stop is worth, a cutoff for one, is measured{' '}
        <Link to={`/rigs/${rigId}/esc`} className="underline underline-offset-4">
          beside what the ESC holds
        </Link>
        .
      </p>
      <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[18rem_minmax(0,1fr)]">
        <OneOf
          legend="What?"
          name="measurement"
          of={measurementsOf(kind).map((id) => [id, MEASUREMENTS[id].name] as const)}
          value={chosen}
          onChoose={setChosen}
        />
        {chosen ? (
          <MeasureOne key={chosen} id={chosen} />
        ) : (
          <p className="text-muted">Choose one. Its guide says what to do and what it settles.</p>
        )}
      </div>
      {kept.length > 0 && (
        <section className="mt-8" aria-label="Measured before">
          <h2 className="border-b border-ink pb-1 text-2xl">Measured before</h2>
          {kept.map(({ order, keptAt, measured }) => (
            <details key={order} className="border-b border-rule">
              <summary className="min-h-11 cursor-pointer py-2">
                <strong>{measured.name}</strong>{' '}
                <span className="text-muted">
                  <Time iso={keptAt} />: {measured.lines.slice(0, 2).map(inWords).join(', ')}
                </span>
              </summary>
              <LineTable lines={measured.lines} />
              {measured.note && <p>{measured.note}</p>}
            </details>
          ))}
        </section>
      )}
    </div>
  );
}

const inWords = ({ name, value, unit, decimals }: MeasuredLine): string =>
  `${name.toLowerCase()} ${withUnit(value, unit, decimals)}`;

function MeasureOne({ id }: { id: MeasurementId }) {
  const measurement: Measurement = MEASUREMENTS[id];
  const [isConfirmed, setConfirmed] = useState(false);
  const { confirm } = measurement;
  return (
    <section aria-label={measurement.name} className="min-w-0">
      <p className="text-lg">{measurement.settles}</p>
      {confirm !== null && (
        <label className="mt-2 flex min-h-11 items-center gap-3 border-l-4 border-hazard bg-hazard-wash px-3 py-2">
          <input
            type="checkbox"
            autoComplete="off"
            className="size-6 shrink-0 accent-draft"
            checked={isConfirmed}
            onChange={(event) => setConfirmed(event.target.checked)}
          />
          {confirm}
        </label>
      )}
      <ol className="mt-3 list-decimal pl-6">
        {measurement.steps.map((step) => (
          <li key={step} className="py-0.5">
            {step}
          </li>
        ))}
      </ol>
      {(confirm === null || isConfirmed) && <MeasureForm id={id} measurement={measurement} />}
    </section>
  );
}

type Texts = Readonly<Record<string, string>>;

function MeasureForm({ id, measurement }: { id: MeasurementId; measurement: Measurement }) {
  const { rig, profile, believed, memory, goals } = useBench();
  const [rows, setRows] = useState<{ label: string; texts: Texts }[]>([{ label: '', texts: {} }]);
  const read = useMemo(() => readRows(measurement, rows), [measurement, rows]);
  const result = useMemo((): Result<Measured> | undefined => {
    if (!read.ok) return undefined;
    try {
      const resolved = resolveRig(rig, profile, goals.use);
      const esc = escBehaviour(profile, believed, rig.channel, memory.range, rig.pack.cells);
      return measurement.result(read.value, { rig, resolved, esc });
    } catch {
      // What the drills cannot drive has nothing to stand beside.
      const sentence = 'The model cannot be driven with the numbers of this rig. Check them under Rig.';
      return { ok: false, problems: [{ path: '', sentence }] };
    }
  }, [read, measurement, rig, profile, believed, memory.range, goals.use]);
  const problems = read.ok ? (result?.ok === false ? result.problems : []) : read.problems;
  const isBegun = rows.some(({ texts }) => Object.values(texts).some((text) => text.trim() !== ''));
  const write = (place: number, part: Partial<{ label: string; texts: Texts }>): void =>
    setRows(rows.map((row, n) => (n === place ? { ...row, ...part } : row)));
  return (
    <div className="mt-4">
      {rows.map((row, place) => (
        <fieldset key={place} className="mt-2 flex flex-wrap items-end gap-3">
          {measurement.rows && (
            <label>
              <span className="block text-sm">
                {measurement.rows.label}, row {place + 1}
              </span>
              <input
                value={row.label}
                maxLength={80}
                onChange={(event) => write(place, { label: event.target.value })}
                className={`${INPUT} w-36`}
              />
            </label>
          )}
          {measurement.fields.map(({ key, name, unit, isOptional, isYesNo }) => (
            <label key={key}>
              <span className="block text-sm">
                {name}
                {unit && `, ${unit}`}
                {isOptional && <span className="text-muted"> if you know it</span>}
              </span>
              {isYesNo ? (
                <select
                  value={row.texts[key] ?? ''}
                  onChange={(event) => write(place, { texts: { ...row.texts, [key]: event.target.value } })}
                  className={`${INPUT} w-28`}
                >
                  <option value="">choose</option>
                  <option value="1">yes</option>
                  <option value="0">no</option>
                </select>
              ) : (
                <input
                  inputMode="decimal"
                  autoComplete="off"
                  value={row.texts[key] ?? ''}
                  onChange={(event) => write(place, { texts: { ...row.texts, [key]: event.target.value } })}
                  className={`${INPUT} w-28`}
                />
              )}
            </label>
          ))}
        </fieldset>
      ))}
      {measurement.rows && rows.length < measurement.rows.most && (
        <Button look="quiet" onClick={() => setRows([...rows, { label: '', texts: {} }])}>
          One more row
        </Button>
      )}
      <div className="mt-3" aria-live="polite">
        {isBegun && <Problems problems={problems} title="Not yet a number." />}
        {result?.ok && read.ok && (
          <MeasuredResult
            result={result.value}
            kept={{
              id,
              name: measurement.name,
              rows: rows.map(({ label }, n) => ({ label, typed: { ...read.value[n]! } })),
              lines: result.value.lines,
              note: '',
            }}
          />
        )}
      </div>
    </div>
  );
}

/** What is typed as numbers, or what is wrong with it. */
function readRows(measurement: Measurement, rows: readonly { texts: Texts }[]): Result<Typed[]> {
  const problems: Problem[] = [];
  const value = rows.map(({ texts }) =>
    Object.fromEntries(
      measurement.fields.flatMap(({ key, name, unit, least, most, isOptional }): [string, number][] => {
        const text = (texts[key] ?? '').trim();
        if (text === '') {
          if (!isOptional) problems.push({ path: '', sentence: `${name} is missing.` });
          return [];
        }
        const number = readNumber(text);
        if (number === undefined || number < least || number > most) {
          problems.push({
            path: '',
            sentence: `${name}: “${text}” cannot be. It must be between ${least} and ${most} ${unit}.`,
          });
          return [];
        }
        return [[key, number]];
      }),
    ),
  );
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value };
}

function MeasuredResult({ result, kept }: { result: Measured; kept: KeptMeasurement }) {
  const notes = useBenchNotes();
  const { takes, lines, leavesOpen } = result;
  return (
    <>
      <LineTable lines={lines} />
      <p className="mt-1 max-w-2xl text-muted">{leavesOpen}</p>
      <p className="mt-3 flex flex-wrap items-center gap-4">
        <Button
          look="main"
          disabled={notes.busy}
          onClick={() =>
            notes.send({
              note: 'test',
              test: { kind: 'measured', measured: kept, keptAt: new Date().toISOString() },
            })
          }
        >
          Keep it
        </Button>
        {notes.kept && <span className="font-bold text-ok">Kept.</span>}
        {notes.problem && <span className="text-caution">{notes.problem}</span>}
      </p>
      {takes && <TakeIntoRig {...takes} />}
    </>
  );
}

/** Puts a measured number into the rig, in place of an assumed one. */
function TakeIntoRig({ path, value }: NonNullable<Measured['takes']>) {
  const { rig } = useBench();
  const notes = useBenchNotes();
  const { label, unit, perSi, decimals } = rigField(path);
  const now = quantityAt(rig, path);
  const words = (si: number): string => withUnit(si * perSi, unit, Math.max(decimals, 3));
  const isTaken = now.basis === 'measured' && Math.abs(now.value - value) < 1e-9;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-4">
      <span>
        {label}: {words(now.value)}, {now.basis}.
      </span>
      {isTaken ? (
        <span className="font-bold text-ok">The rig has what you measured.</span>
      ) : (
        <Button disabled={notes.busy} onClick={() => notes.send({ note: 'quantity', path, value })}>
          Take {words(value)} as measured
        </Button>
      )}
      {notes.problem && <span className="text-caution">{notes.problem}</span>}
    </p>
  );
}

const LineTable = ({ lines }: { lines: readonly MeasuredLine[] }) => (
  <DataTable
    label="What it comes to"
    heads={['number', { name: 'measured', isNumber: true }, { name: 'model', isNumber: true }, 'difference']}
    className="max-w-3xl"
  >
    {lines.map(({ name, value, model, unit, decimals }) => (
      <tr key={name}>
        <th scope="row">{name}</th>
        <td className="text-right font-bold">{withUnit(value, unit, decimals)}</td>
        <td className="text-right">{model === null ? '' : withUnit(model, unit, decimals)}</td>
        <td className="text-muted">
          {model !== null && model !== 0 && `${formatNumber(100 * (value / model - 1), 0)} %`}
        </td>
      </tr>
    ))}
  </DataTable>
);
