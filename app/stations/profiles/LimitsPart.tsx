import { BEC_KINDS, LAUNCH_LIMIT_LAWS, type BecKind, type LaunchLimitLaw } from '#core/esc/profile';
import { LIMIT_KEYS, limitField } from '#core/workshop/readSketch';
import type { LimitKey } from '#core/workshop/sketch';
import { MADE_FOR, type MadeFor } from '#core/workshop/madeFor';
import { madeForChosen } from '#core/workshop/suggest';
import { SelectField, TextField } from './fields';
import { PresetMark } from './PresetMark';
import type { SketchBench } from './useSketch';

const OF_BEC: readonly LimitKey[] = ['becContinuousAmps', 'becLeastVolts', 'becMostVolts'];

/** What it is called, and what it stands, as printed on its case. */
export function LimitsPart({ bench }: { bench: SketchBench }) {
  const { sketch, set, problemAt } = bench;
  const limit = (key: LimitKey) => (
    <TextField
      key={key}
      label={`${limitField(key).label}${limitField(key).optional ? ' (if stated)' : ''}`}
      unit={limitField(key).unit}
      width="w-24"
      value={sketch.limits[key]}
      problem={problemAt(`limits.${key}`)}
      onChange={(text) => set({ limits: { ...sketch.limits, [key]: text } })}
    />
  );
  const chooseBec = (becKind: BecKind): void => {
    const none = { becContinuousAmps: '0', becLeastVolts: '0', becMostVolts: '0' };
    set({ becKind, limits: becKind === 'none' ? { ...sketch.limits, ...none } : sketch.limits });
  };
  const keys = LIMIT_KEYS.filter((key) => !OF_BEC.includes(key));
  return (
    <section aria-labelledby="what">
      <h2 id="what" className="border-b border-ink pb-1 text-2xl">
        What it is
      </h2>
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-3">
        <div className="w-80 max-w-full">
          <TextField
            label="Name"
            value={sketch.name}
            problem={problemAt('name')}
            onChange={(name) => set({ name })}
            placeholder="as you call it"
          />
        </div>
        <SelectField
          label="Made for"
          value={sketch.madeFor}
          options={Object.entries(MADE_FOR)}
          onChange={(madeFor) => set(madeForChosen(sketch, madeFor as MadeFor))}
        />
      </div>
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-3">{keys.map(limit)}</div>
      <PresetMark bench={bench} id="limits" />
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-3">
        <SelectField
          label="BEC"
          value={sketch.becKind}
          problem={problemAt('limits.becKind')}
          options={Object.entries(BEC_KINDS)}
          onChange={(kind) => chooseBec(kind as BecKind)}
        />
        {sketch.becKind !== 'none' && OF_BEC.map(limit)}
      </div>
      <PresetMark bench={bench} id="bec" />
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
          Throttle: power-on, factory range, deadband
        </summary>
        <div className="flex flex-wrap gap-x-6 gap-y-3">
          <TextField
            label="Checks the throttle after"
            unit="ms"
            width="w-24"
            value={sketch.bootMs}
            problem={problemAt('bootMs')}
            onChange={(bootMs) => set({ bootMs })}
          />
          {(['brakeMicros', 'neutralMicros', 'forwardMicros'] as const).map((key) => (
            <TextField
              key={key}
              label={RANGE_WORDS[key]}
              unit="µs"
              width="w-24"
              value={sketch.range[key]}
              problem={problemAt(`range.${key}`)}
              onChange={(text) => set({ range: { ...sketch.range, [key]: text } })}
            />
          ))}
          <TextField
            label="Deadband, each side"
            unit="µs"
            width="w-24"
            value={sketch.deadbandMicrosEachSide}
            problem={problemAt('deadbandMicrosEachSide')}
            onChange={(deadbandMicrosEachSide) => set({ deadbandMicrosEachSide })}
          />
          <TextField
            label="At full signal it shows (if stated)"
            width="w-80 max-w-full"
            value={sketch.fullSignalShows}
            problem={problemAt('fullSignalShows')}
            onChange={(fullSignalShows) => set({ fullSignalShows })}
            placeholder="the lamp goes out"
          />
          {sketch.items.some(({ setting }) => setting === 'launchLimit') && (
            <SelectField
              label="Its launch limit means"
              value={sketch.launchLimitActs}
              problem={problemAt('launchLimitActs')}
              options={[['', 'the manual does not say'], ...Object.entries(LAUNCH_LIMIT_LAWS)]}
              onChange={(law) => set({ launchLimitActs: law as LaunchLimitLaw | '' })}
            />
          )}
        </div>
      </details>
    </section>
  );
}

const RANGE_WORDS = {
  brakeMicros: 'Full brake, or rest',
  neutralMicros: 'Neutral, or rest',
  forwardMicros: 'Full throttle',
} as const;
