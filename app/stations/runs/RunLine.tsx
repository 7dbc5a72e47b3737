import { READINGS } from '#core/runs/readings';
import type { NumberedRun, Run } from '#core/runs/run';
import { momentName, type MomentId } from '#core/settings/moments';
import { TROUBLES } from '#core/triage/symptoms';
import { withUnit } from '#core/units/format';
import { Link } from 'react-router';
import { Time } from '../../ui/Time';
import { useBench } from '../bench/BenchContext';

/** One run in the list: when, with what, and what it said. */
export function RunLine({ number, run }: NumberedRun) {
  const { rigId, rig } = useBench();
  const { minutes, pack, setUp, leftOut, words } = run;
  const circumstances = [
    setUp?.name,
    minutes === null ? undefined : withUnit(minutes, 'min', 1),
    pack && `pack ${pack}`,
    run.place,
  ].filter(Boolean);
  return (
    <li className="border-t border-rule py-2">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <Link
          to={`/rigs/${rigId}/runs/${number}`}
          className="font-display text-xl font-bold underline underline-offset-4"
        >
          Run {number}
        </Link>
        <span className="text-sm text-muted">
          <Time iso={run.drivenAt} />
        </span>
        <span className="text-muted">{circumstances.join(' · ')}</span>
      </p>
      <p>{saidOf(run, rig.vehicle.kind)}</p>
      {words && <p className="text-muted">“{words}”</p>}
      {leftOut && <p className="text-caution">Does not count: {leftOut}</p>}
    </li>
  );
}

/** What a run said, in one line. */
export function saidOf({ felt, troubles, readings }: Run, kind: 'wheels' | 'propeller'): string {
  return [
    ...(Object.keys(felt) as MomentId[]).map((moment) => `${momentName(moment, kind)}: ${felt[moment]!}`),
    ...troubles.map((trouble) => TROUBLES[trouble].words),
    ...readings.map((reading) => {
      const { name, unit, decimals } = READINGS[reading.kind];
      return `${name} ${withUnit(reading.value, unit, decimals)}`;
    }),
  ].join(' · ');
}
