import type { Nearness, Target } from '#core/setUps/alike';
import { useEffect, useState } from 'react';
import { useSetUpsWorker } from '../setUps/useSetUpsWorker';
import { DraftOn } from './DraftOn';
import type { Member } from './members.server';

const TARGET_WORDS: Readonly<
  Record<Nearness['key'], readonly [name: string, unit: string, decimals: number]>
> = {
  busVolts: ['Servo bus', 'V', 1],
  stopM: ['Stop from walking pace', 'm', 2],
  launchS: ['First five metres', 's', 2],
};

/** How near one rig is to a typed target. */
export function LikeTarget({ member, target }: { member: Member; target: Target }) {
  const worker = useSetUpsWorker();
  const [near, setNear] = useState<Nearness[]>();
  useEffect(() => {
    let isHere = true;
    void worker?.nearTo(member.like, target).then((found) => {
      if (isHere) setNear(found);
    });
    return () => {
      isHere = false;
    };
  }, [worker, member.like, target]);
  const { name } = member.like.rig;
  return (
    <section className="mt-6" aria-label={`${name} like ${target.name}`}>
      <h2 className="text-2xl">
        {name} like {target.name}
      </h2>
      {!near && <p className="text-muted">Working it out …</p>}
      <ul>
        {near?.map(({ key, wanted, now, closest }) => {
          const [words, unit, decimals] = TARGET_WORDS[key];
          const figure = (value: number | undefined): string =>
            value === undefined ? 'unknown' : `${value.toFixed(decimals)}\u00a0${unit}`;
          return (
            <li key={key} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-2">
              <span className="w-56">{words}</span>
              <span>
                {figure(wanted)} there, {figure(now)} here
              </span>
              {closest && closest.stop.id !== member.like.stops[closest.itemId] && (
                <>
                  <span>
                    {closest.itemLabel} {closest.stop.label}: {figure(closest.reached)}
                  </span>
                  <DraftOn
                    rigId={member.rigId}
                    like={target.name}
                    name={name}
                    values={{ stops: { [closest.itemId]: closest.stop.id }, byHand: {} }}
                  />
                </>
              )}
              {closest && closest.stop.id === member.like.stops[closest.itemId] && (
                <span className="text-ok">as near as its stops go</span>
              )}
            </li>
          );
        })}
        {target.frontPercent !== null && (
          <li className="border-t border-rule py-2">
            Weight on the front wheels: {target.frontPercent} % there. Weigh both axles and move the pack.
          </li>
        )}
      </ul>
    </section>
  );
}
