/** Makes the runs of the demo: true models are driven as the stand-in drives them, and noted as their owners would. */
import { usualGoals } from '#core/advice/goals';
import { factoryStops, type EscProfile, type StopByItem } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import { handValuesOf } from '#core/rig/handValues';
import type { Rig } from '#core/rig/rig';
import { readByHand } from '#core/runs/drive/byHand';
import { drive, logOf, type Drive } from '#core/runs/drive/drive';
import { trueModel } from '#core/runs/drive/trueModel';
import { lengthOf, type Log } from '#core/runs/log/channels';
import { packLog } from '#core/runs/log/packed';
import { readingsOfLog } from '#core/runs/log/readingsOfLog';
import type { Reading } from '#core/runs/readings';
import { EMPTY_NOTE, type Run, type RunNote } from '#core/runs/run';
import { conditionsOf } from '#core/setUps/conditions';
import { holdingsOf } from '#core/sheet/evidence';
import { writeSheet } from '#core/sheet/sheet';
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
      const file = one.log ? logInFile(metaOf(samples), packLog(samples)) : undefined;
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
  const keptAt = new Date(at).toISOString();
  const seen = Object.entries(stops).map(([itemId, stopId]) => ({
    itemId,
    stopId,
    basis: 'readBack' as const,
    at: keptAt,
  }));
  const byHand = handValuesOf(rig);
  const { values } = writeSheet(profile, holdingsOf(profile, seen), {
    id,
    rigName: rig.name,
    keptAt,
    medium: null,
    simulated: null,
    changedItemIds: [],
    byHand,
    setUp: null,
    reasons: {},
    note: '',
  });
  const said: RunNote = { ...EMPTY_NOTE, minutes, airCelsius, ...note, readings };
  return {
    ...said,
    id,
    rigName: rig.name,
    drivenAt: keptAt,
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    held: values,
    byHand,
    setUp: null,
    calibratedAt: null,
    conditions: conditionsOf(rig, { surface: said.surface ?? usualGoals(rig.vehicleClass).surface }),
    question: null,
  };
}

/** The numbers that were noted: the ends of its log, or what a hand read. */
function numbersOf(one: SeasonRun, driven: Drive, log: Log, seed: number): Reading[] {
  const byHand = readByHand(driven, seed);
  if (!one.log) return byHand.filter(({ kind }) => one.read.includes(kind));
  const ends = log.channels.map(({ kind, values }) => ({
    kind,
    least: values.reduce((so, value) => (value < so ? value : so), Infinity),
    most: values.reduce((so, value) => (value > so ? value : so), -Infinity),
  }));
  return [...readingsOfLog(ends), ...byHand.filter(({ kind }) => kind === 'putBackMah')];
}

/** An rpm that was counted with half the pole pairs. */
const countedTwice = (log: Log): Log => ({
  ...log,
  channels: log.channels.map((channel) =>
    channel.kind === 'rpm' ? { ...channel, values: channel.values.map((value) => 2 * value) } : channel,
  ),
});

const metaOf = (log: Log) => ({
  source: 'link' as const,
  fileName: '',
  headKey: '',
  uses: [],
  units: [],
  problems: [],
  samples: log.seconds.length,
  seconds: lengthOf(log),
  channels: log.channels.map(({ kind, name, unit }) => ({ kind, name, unit })),
});
