import { firmwareLines, firstPowerLines } from '#core/calibration/firstPower';
import type { BenchTest } from '#core/calibration/benchTest';
import { METER_ERROR_VOLTS } from '#core/calibration/supplyTest';
import { benchTestSchema } from '#formats/benchTest';
import { problemsOf } from '#formats/document';
import { between, oneOf, record, textField, variants, yesNo } from '#formats/fields';
import { readJson } from '#server/readBody';
import { keepBenchTest, tickBuildCheck } from '#server/repositories/bench';
import { changeRig } from '#server/repositories/rigs';
import { fieldsOf, RIG_FIELDS, rigField, withQuantity, type QuantityPath } from '#core/rig/fields';
import { data } from 'react-router';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/benchNotes';

/** What the page of the bench has to keep beside calibrations. */
export type BenchNote =
  | { note: 'tick'; line: string; ticked: boolean }
  | { note: 'jitter'; jitterMicros: number }
  | { note: 'test'; test: BenchTest }
  | { note: 'quantity'; path: QuantityPath; value: number };

const noteSchema = variants<BenchNote, 'note'>('note', {
  tick: record({ note: oneOf(['tick'] as const), line: textField(), ticked: yesNo() }),
  jitter: record({ note: oneOf(['jitter'] as const), jitterMicros: between(0, 200, 'µs') }),
  test: record({ note: oneOf(['test'] as const), test: benchTestSchema as never }) as never,
  quantity: record({
    note: oneOf(['quantity'] as const),
    path: oneOf(RIG_FIELDS.map(({ path }) => path)),
    value: between(-1e9, 1e9, ''),
  }),
});

/** Keeps a test, a tick or the measured jitter of the radio. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const body: unknown = await readJson(request);
  const problems = problemsOf(record({ body: noteSchema as never }), { body });
  if (problems.length > 0) return data({ problems }, { status: 400 });
  const note = body as BenchNote;
  if (note.note === 'tick') {
    const lines = [...firstPowerLines(bench.rig, bench.profile), ...firmwareLines(bench.profile)];
    if (!lines.some(({ id }) => id === note.line))
      return data(
        { problems: [{ path: 'line', sentence: `There is no line '${note.line}'.` }] },
        { status: 400 },
      );
    await tickBuildCheck(params.rigId, note.line, note.ticked);
  } else if (note.note === 'test') {
    const { test } = note;
    if (test.kind === 'supply' && test.test.lowestVolts > test.test.setVolts + METER_ERROR_VOLTS) {
      const sentence = 'The lowest reading is above the BEC setting. One of the two is wrong.';
      return data({ problems: [{ path: 'test', sentence }] }, { status: 400 });
    }
    await keepBenchTest(params.rigId, { ...note.test, keptAt: new Date().toISOString() });
  } else if (note.note === 'quantity') {
    const { label, least, most, unit, perSi } = rigField(note.path);
    const { path, value } = note;
    if (!fieldsOf(bench.rig).some((one) => one.path === path) || value < least || value > most) {
      const sentence = `${label} is ${(value * perSi).toPrecision(3)} ${unit} then: no model has that. Check the numbers.`;
      return data({ problems: [{ path, sentence }] }, { status: 400 });
    }
    await changeRig(params.rigId, (rig) => withQuantity(rig, path, { value, basis: 'measured' }));
  } else {
    const { jitterMicros } = note;
    await changeRig(params.rigId, (rig) => ({ ...rig, channel: { ...rig.channel, jitterMicros } }));
  }
  return data({ problems: [] });
}
