import { formatNumber } from '#core/units/format';
import { wrap } from 'comlink';
import { memo, useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { MattersWorker, RestsOnAnswer, RestsOnRequest } from '../../workers/matters.worker';
import { useBench } from '../bench/BenchContext';

/** What each number of a drill assumes, computed in a worker once somebody asks. */
export const RestsOn = memo(function RestsOn({
  request,
  assumed,
}: {
  request: RestsOnRequest;
  assumed: number;
}) {
  const [isOpen, setOpen] = useState(false);
  const { rigId } = useBench();
  if (assumed === 0) return <p>Computed from what you entered and measured.</p>;
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2">
        {assumed === 1 ? 'One number' : `${assumed} numbers`} of this rig {assumed === 1 ? 'is' : 'are'}{' '}
        assumed: see what that makes uncertain
      </summary>
      {isOpen && <Ranges request={request} />}
      <Link to={`/rigs/${rigId}/rig`} className="underline">
        Enter or measure them
      </Link>
    </details>
  );
});

function Ranges({ request }: { request: RestsOnRequest }) {
  const [answer, setAnswer] = useState<RestsOnAnswer>();
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/matters.worker.ts', import.meta.url), {
      type: 'module',
    });
    void wrap<MattersWorker>(thread).restsOn(request).then(setAnswer);
    return () => thread.terminate();
  }, [request]);
  if (!answer) return <p role="status">Trying the assumed values both ways …</p>;
  if (!answer.ok) return <p>{answer.sentence}</p>;
  return (
    <dl className="my-2 grid gap-1.5">
      {answer.numbers.map(({ number, assumed }) => (
        <div key={number.id}>
          <dt className="inline text-ink">{number.name}: </dt>
          <dd className="inline">
            {assumed.length === 0
              ? 'no assumption changes it'
              : assumed
                  .map(
                    ({ label, low, high }) =>
                      `${label} (${formatNumber(low, number.decimals)} to ${formatNumber(high, number.decimals)} ${number.unit})`,
                  )
                  .join(', ')}
          </dd>
        </div>
      ))}
    </dl>
  );
}
