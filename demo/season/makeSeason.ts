/** Makes the runs of the demo: true models are driven as the stand-in drives them, and noted as their owners would. */
import { usualGoals } from '#core/advice/goals';
import { factoryStops, type EscProfile, type StopByItem } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import { handValuesOf } from '#core/rig/handValues';
import type { Rig } from '#core/rig/rig';
import { readByHand } from '#core/runs/drive/byHand';
import { drive, logOf, type Drive } from '#core/runs/drive/drive';
import { trueModel } from '#core/runs/drive/trueModel';
import type { Log } from '#core/runs/log/channels';
import { metaFromLink } from '#core/runs/log/meta';
import { packLog } from '#core/runs/log/packed';
import { endsOf, readingsOfLog } from '#core/runs/log/readingsOfLog';
import type { Reading } from '#core/runs/readings';
import { makeRun } from '#core/runs/makeRun';
import { EMPTY_NOTE, type Run } from '#core/runs/run';
import { VERSION, writeDocument } from '#formats/document';
import { logInFile } from '#formats/keptLog';
import type { RigFile } from '#formats/rig';
import { BUGGY_SEASON, TRAINER_SEASON, type SeasonRun } from './notes';

/** Each model as it really is. */
const SEEDS = { buggy: 11, trainer: 4 } as const;

/** All files of the season, by name. */
export function makeSeason(files: {
  buggy: RigFile;
  buggyEsc: EscProfile;
  trainer: RigFile;
  trainerEsc: EscProfile;
}): Record<string, string> {
  return {
    ...seasonOf(files.buggy.rig, files.buggyEsc, SEEDS.buggy, BUGGY_SEASON, 'kelp-beach-buggy'),
    ...seasonOf(files.trainer.rig, files.trainerEsc, SEEDS.trainer, TRAINER_SEASON, 'headland-trainer'),
  };
}

function seasonOf(
  rig: Rig,
  profile: EscProfile,
  seed: number,
  runs: readonly SeasonRun[],
  name: string,
): Record<string, string> {
  const model = trueModel(rig, seed);
  const goals = usualGoals(rig.vehicleClass);
  const byHand = handValuesOf(rig);
  return Object.fromEntries(
    runs.map((one, index): [string, string] => {
      const number = index + 1;
      const stops: StopByItem = { ...factoryStops(profile), ...one.stops };
      const run = { byHand, airCelsius: one.airCelsius };
      const driven = drive(model, {
        number,
        profile,
        stops,
        range: rangeOf(rig.channel),
        use: goals.use,
        run,
        minutes: one.minutes,
      });
      const log = logOf(model, driven, number);
      const id = `${name}-${String(number).padStart(2, '0')}`;
      const samples = one.wrongRpm ? countedTwice(log) : log;
      const numbers = numbersOf(one, driven, samples, seed * 100 + number);
      const document = runOf(rig, profile, stops, one, id, numbers);
      const file = one.log ? logInFile(metaFromLink(samples), packLog(samples)) : undefined;
      return [
        `${id}.run.json`,
        writeDocument({
          format: 'live-tune/run',
          version: VERSION,
          run: document,
          ...(file && { log: file }),
        }),
      ];
    }),
  );
}

function runOf(
  rig: Rig,
  profile: EscProfile,
  stops: StopByItem,
  { at, minutes, airCelsius, note }: SeasonRun,
  id: string,
  readings: Reading[],
): Run {
  const drivenAt = new Date(at).toISOString();
  return makeRun({
    id,
    drivenAt,
    rig,
    profile,
    observations: Object.entries(stops).map(([itemId, stopId]) => ({
      itemId,
      stopId,
      basis: 'readBack',
      at: drivenAt,
    })),
    usualSurface: usualGoals(rig.vehicleClass).surface,
    note: { ...EMPTY_NOTE, minutes, airCelsius, ...note, readings },
    setUp: null,
    calibratedAt: null,
    question: null,
  });
}

/** The numbers that were noted: the ends of its log, or what a hand read. */
function numbersOf(one: SeasonRun, driven: Drive, log: Log, seed: number): Reading[] {
  const byHand = readByHand(driven, seed);
  if (!one.log) return byHand.filter(({ kind }) => one.read.includes(kind));
  return [...readingsOfLog(endsOf(log)), ...byHand.filter(({ kind }) => kind === 'putBackMah')];
}

/** An rpm that was counted with half the pole pairs. */
const countedTwice = (log: Log): Log => ({
  ...log,
  channels: log.channels.map((channel) =>
    channel.kind === 'rpm' ? { ...channel, values: channel.values.map((value) => 2 * value) } : channel,
  ),
});
