import { hasStop } from '#core/esc/profile';
import { EVIDENCE, type EvidenceBasis, type Observation } from '#core/sheet/evidence';
import type { EscMemory } from '#core/procedure/language';
import { calibrationSchema } from '#formats/calibration';
import { problemsOf } from '#formats/document';
import { idField, keyOf, listOf, record, stopByItem, whole } from '#formats/fields';
import { learnedRangeSchema } from '#formats/radio';
import { readJson } from '#server/readBody';
import { keepCalibration, recordBench } from '#server/repositories/bench';
import * as yup from 'yup';
import { benchAtEsc, benchOf } from './benchData.server';
import type { Route } from './+types/record';
import type { BenchRecord } from './benchRecord';

const memorySchema: yup.ObjectSchema<EscMemory> = record({
  stops: stopByItem() as unknown as yup.ObjectSchema<EscMemory['stops']>,
  range: learnedRangeSchema,
});

const recordSchema = record({
  escNumber: whole(1, 12),
  memory: memorySchema,
  seen: listOf(
    record({
      itemId: idField(),
      stopId: idField().nullable(),
      basis: keyOf<EvidenceBasis>(EVIDENCE),
    }),
    0,
    200,
  ),
  calibration: calibrationSchema.notRequired().default(undefined),
});

/** Keeps what happened on the bench: the simulated ESC's memory, what was seen of it, a finished calibration. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const { profile } = bench;
  const body: unknown = await readJson(request);
  const problems = problemsOf(recordSchema, body);
  if (problems.length > 0) return Response.json({ problems }, { status: 400 });
  const { escNumber, memory, seen, calibration } = body as BenchRecord;
  const known = new Map(profile.items.map((item) => [item.id, item]));
  const named = [...Object.entries(memory.stops), ...seen.map((s) => [s.itemId, s.stopId] as const)];
  const strange = named.find(
    ([itemId, stopId]) => !known.has(itemId) || (stopId !== null && !hasStop(known.get(itemId)!, stopId)),
  );
  if (strange) {
    const sentence = `${profile.name} has no stop '${strange[1]}' of an item '${strange[0]}'.`;
    return Response.json({ problems: [{ path: 'memory', sentence }] }, { status: 400 });
  }
  const at = new Date().toISOString();
  const observations: Observation[] = seen.map((s) => ({ ...s, at }));
  if (calibration) await keepCalibration(params.rigId, { ...calibration, keptAt: at }, memory);
  else await recordBench(benchAtEsc(bench, escNumber), memory, observations);
  return Response.json({ ok: true });
}
