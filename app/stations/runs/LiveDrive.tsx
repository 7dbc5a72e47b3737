import { LIVE_KINDS, type LiveKind } from '#core/link/live';
import { CHANNELS } from '#core/runs/log/channels';
import { alarmsOf, watchedOn, watchedWords } from '#core/runs/log/watched';
import { withUnit } from '#core/units/format';
import type { DriveView } from '#server/link/simulatedDrive';
import { useEffect, useMemo } from 'react';
import { playBeeps } from '../../simulated/sound';
import { useBench } from '../bench/BenchContext';

type Seen = Exclude<DriveView, { state: 'failed' }>;

/** The numbers of a drive while it is driven, with an alarm where one is beyond what this rig should see. */
export function LiveDrive({ drive }: { drive: Seen }) {
  const { rig, profile, memory } = useBench();
  const watched = useMemo(
    () => watchedOn({ rig, profile, range: memory.range }, memory.stops),
    [rig, profile, memory],
  );
  const live = drive.state === 'driving' ? drive.live : undefined;
  const alarms = alarmsOf(live?.values ?? {}, watched);
  // What sagged between two looks is an alarm all the same.
  const were = alarmsOf(
    Object.fromEntries(LIVE_KINDS.map((kind) => [kind, endThatCounts(kind, drive.ends[kind])])),
    watched,
  );
  const loud = were.map(({ channel }) => channel).join(' ');
  useEffect(() => {
    if (loud) playBeeps(ALARM);
  }, [loud]);
  const has = (of: typeof alarms, kind: LiveKind): boolean => of.some(({ channel }) => channel === kind);
  return (
    <div role="group" aria-label="Live numbers" className="mt-3 border border-rule bg-sheet p-3">
      <p className="text-muted">
        {drive.state === 'driven'
          ? 'The drive is over. Its lowest and highest numbers:'
          : `Second ${live?.seconds ?? 0} of the drive, shown faster than it happens`}
      </p>
      <dl className="mt-2 grid grid-cols-2 gap-x-5 gap-y-3 sm:grid-cols-4">
        {LIVE_KINDS.map((kind) => {
          const ends = drive.ends[kind];
          const beyond = { isNow: has(alarms, kind), was: has(were, kind) };
          return drive.state === 'driven' ? (
            kind !== 'trigger' && <EndNumber key={kind} kind={kind} ends={ends} wasBeyond={beyond.was} />
          ) : (
            <LiveNumber key={kind} kind={kind} value={live?.values[kind]} ends={ends} beyond={beyond} />
          );
        })}
      </dl>
      <p role="alert" className="mt-2 min-h-6 font-bold text-hazard">
        {alarms.length > 0 && `Alarm: ${inWords(alarms)}.`}
        {alarms.length === 0 && were.length > 0 && `There was an alarm: ${inWords(were)}.`}
      </p>
      <p className="text-sm text-muted">Alarm at: {watchedWords(watched).join(', ')}.</p>
    </div>
  );
}

const inWords = (alarms: readonly { words: string }[]): string => alarms.map(({ words }) => words).join('; ');

const ALARM: Parameters<typeof playBeeps>[0] = [
  { pitch: 'high', ms: 150, restMs: 80 },
  { pitch: 'high', ms: 150, restMs: 0 },
];

/** Which end of a number is the one to watch. */
const END_THAT_COUNTS: Record<LiveKind, 'least' | 'most'> = {
  trigger: 'most',
  packVolts: 'least',
  amps: 'most',
  rpm: 'most',
  canCelsius: 'most',
  escCelsius: 'most',
  usedMah: 'most',
};
const END_WORDS = { least: 'lowest', most: 'highest' } as const;

type Ends = { least: number; most: number } | undefined;

const endThatCounts = (kind: LiveKind, ends: Ends): number | undefined => ends?.[END_THAT_COUNTS[kind]];

interface LiveNumberProps {
  kind: LiveKind;
  value: number | undefined;
  ends: Ends;
  beyond: { isNow: boolean; was: boolean };
}

function LiveNumber({ kind, value, ends, beyond }: LiveNumberProps) {
  const { name, unit, decimals } = CHANNELS[kind];
  const end = endThatCounts(kind, ends);
  return (
    <div>
      <dt className="text-sm text-muted">{name}</dt>
      <Large isBeyond={beyond.isNow}>{value === undefined ? '–' : withUnit(value, unit, decimals)}</Large>
      {end !== undefined && kind !== 'trigger' && kind !== 'usedMah' && (
        <dd className={`text-sm ${beyond.was ? 'font-bold text-hazard' : 'text-muted'}`}>
          {END_WORDS[END_THAT_COUNTS[kind]]} {withUnit(end, unit, decimals)}
        </dd>
      )}
    </div>
  );
}

function EndNumber({ kind, ends, wasBeyond }: { kind: LiveKind; ends: Ends; wasBeyond: boolean }) {
  const { name, unit, decimals } = CHANNELS[kind];
  const end = endThatCounts(kind, ends);
  return (
    <div>
      <dt className="text-sm text-muted">
        {name}
        {kind !== 'usedMah' && `, ${END_WORDS[END_THAT_COUNTS[kind]]}`}
      </dt>
      <Large isBeyond={wasBeyond}>{end === undefined ? '–' : withUnit(end, unit, decimals)}</Large>
    </div>
  );
}

const Large = ({ isBeyond, children }: { isBeyond: boolean; children: string }) => (
  <dd className={`font-display text-2xl font-bold tabular-nums ${isBeyond ? 'text-hazard' : ''}`}>
    {children}
  </dd>
);
