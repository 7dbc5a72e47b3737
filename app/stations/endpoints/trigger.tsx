import { valueOf, type StopByItem } from '#core/esc/profile';
import { limitingCompared, transferOf, type LimitedBy } from '#core/radio/transfer';
import { formatNumber, percentOf } from '#core/units/format';
import { lazy, Suspense, useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useChosenEsc } from './useEndpoints';

const TransferChart = lazy(() => import('./TransferChart'));

const STEPS = 100;

/** Everything between trigger and duty as one picture; what limiting here and there does. */
export default function Trigger() {
  const { rig, profile, believed, drafted } = useBench();
  const { channel } = rig;
  const { range, deadbandMicros } = useChosenEsc();
  const [share, setShare] = useState(60);
  const limits = (stops: StopByItem) => ({
    forward: numberOf(valueOf(profile, stops, 'forwardPower')) ?? 1,
    brake: numberOf(valueOf(profile, stops, 'brakeStrength')) ?? 1,
  });
  const now = limits(believed);
  const draft = limits(drafted);
  const points = transferOf(channel, range, deadbandMicros, now, STEPS);
  const drafts = transferOf(channel, range, deadbandMicros, draft, STEPS);
  const plain = { ...channel, forwardEndPointPercent: 100 };
  const compared = limitingCompared(plain, range, deadbandMicros, share / 100);
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">From trigger to duty</h1>
      <p className="mt-1 text-muted">
        End point, trims, curve, learned range and ESC limits, all multiplied. Dashed: the ESC now. Solid: the
        draft.
      </p>
      <div className="mt-4 grid gap-6 lg:grid-cols-[1fr_18rem]">
        <div className="rounded-sm border border-rule bg-sheet p-3">
          <Suspense fallback={<div className="h-80" />}>
            <TransferChart now={points} draft={drafts} />
          </Suspense>
        </div>
        <dl className="grid content-start gap-3">
          <Fact name="Full forward comes to" value={percentOf(drafts.at(-1)!.output)}>
            end point {formatNumber(channel.forwardEndPointPercent, 0)} % × power {percentOf(draft.forward)}
          </Fact>
          {channel.rest === 'centre' && (
            <Fact name="Full brake comes to" value={percentOf(-drafts[0]!.output)}>
              end point {formatNumber(channel.brakeEndPointPercent, 0)} % × strength {percentOf(draft.brake)}
            </Fact>
          )}
        </dl>
      </div>
      <h2 className="mt-8 border-b border-ink pb-1 text-2xl">Limit top speed in the radio or in the ESC?</h2>
      <label className="mt-3 flex flex-wrap items-center gap-3">
        Wanted top duty
        <input
          type="range"
          min={20}
          max={95}
          step={5}
          value={share}
          onChange={(event) => setShare(Number(event.target.value))}
          aria-valuetext={`${share} %`}
          className="h-8 w-60 accent-draft"
        />
        <output className="font-display text-xl font-bold">{share} %</output>
      </label>
      <div className="mt-3 grid gap-5 sm:grid-cols-2">
        <Limited
          title={`Radio: forward end point at ${formatNumber(compared.forwardEndPointPercent, 0)} %`}
          by={compared.atRadio}
        >
          Set it after calibrating. If you calibrate again at that setting, the ESC learns the smaller travel
          as full and the limit is gone.
        </Limited>
        <Limited title={`ESC: maximum power at ${share} %`} by={compared.inEsc}>
          A new calibration does not change it. The two multiply: lower only one of them.
        </Limited>
      </div>
      {channel.rest === 'centre' && (
        <p className="mt-5 max-w-3xl">
          Brakes work the same way: set the ESC’s strength first, then fine-tune with the radio’s brake end
          point. Strength 80&nbsp;% with the end point at 70&nbsp;% is 56&nbsp;%; 50&nbsp;% with 80&nbsp;% is
          40&nbsp;%.
        </p>
      )}
    </div>
  );
}

const numberOf = (value: ReturnType<typeof valueOf>): number | undefined =>
  value?.kind === 'number' ? value.value / 100 : undefined;

function Fact({ name, value, children }: { name: string; value: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-muted">{name}</dt>
      <dd>
        <span className="font-display text-3xl font-bold">{value}</span>
        <span className="block text-sm text-muted">{children}</span>
      </dd>
    </div>
  );
}

function Limited({ title, by, children }: { title: string; by: LimitedBy; children: React.ReactNode }) {
  return (
    <section className="rounded-sm border border-rule bg-sheet p-4">
      <h3 className="text-xl">{title}</h3>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
        <dt>Top duty</dt>
        <dd className="text-right">{percentOf(by.topDuty)}</dd>
        <dt>Full signal reached</dt>
        <dd className="text-right font-bold">
          {by.fullSignalArrives ? 'yes' : 'no: turbo and the like stay off'}
        </dd>
        <dt>Trigger positions from start to top</dt>
        <dd className="text-right">{by.positions}</dd>
        <dt>Live travel</dt>
        <dd className="text-right">{percentOf(by.liveTravel)}</dd>
        <dt>Top duty after calibrating again</dt>
        <dd className="text-right font-bold">{percentOf(by.topDutyRecalibrated)}</dd>
      </dl>
      <p className="mt-3 text-muted">{children}</p>
    </section>
  );
}
