import { useBench } from '../bench/BenchContext';

/** How this ESC shows that full signal has arrived, as far as its profile says. */
export function FullSignal({ className }: { className: string }) {
  const { fullSignalShows } = useBench().profile;
  return (
    <p className={className}>
      {fullSignalShows === null
        ? 'Many ESCs have a lamp that changes only at full signal. The profile does not say which one here.'
        : `You have full signal when: ${fullSignalShows.replace(/\.$/, '')}.`}
    </p>
  );
}
