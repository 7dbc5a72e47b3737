import { useBench } from '../bench/BenchContext';

/** How this ESC shows that full signal has arrived, as far as its profile says. */
export function FullSignal({ className }: { className: string }) {
  const { fullSignalShows } = useBench().profile;
  return (
    <p className={className}>
      {fullSignalShows === null
        ? 'Many ESCs show full signal by a lamp that changes only there. The profile does not say how this one does.'
        : `Full signal has arrived when: ${fullSignalShows.replace(/\.$/, '')}.`}
    </p>
  );
}
