import { useState } from 'react';
import { Link, useFetcher } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { answered, type NotKept } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import { INPUT } from './formParts';

interface Props {
  /** Every rule set to hold the rig against. */
  rules: { id: string; name: string }[];
}

/** What is kept with a rig beside its numbers: a picture, and the event that it is being prepared for. */
export function PictureAndRules({ rules }: Props) {
  const { rigId, rulesId, hasPicture, rig } = useBench();
  const picture = useFetcher<{ sentence?: string } | NotKept>();
  const choice = useFetcher<object | NotKept>();
  // A new picture has the same address: this makes the browser ask again.
  const [shown, setShown] = useState(0);
  const busy = picture.state !== 'idle';
  return (
    <div className="grid grid-cols-1 content-start gap-6 py-6 sm:grid-cols-2 xl:grid-cols-1">
      <div className="min-w-0">
        {hasPicture && (
          <img
            src={`/rigs/${rigId}/picture?${shown}`}
            alt={rig.name}
            className="h-24 max-w-40 rounded-sm border border-rule object-cover"
          />
        )}
        <picture.Form
          method="post"
          action={`/rigs/${rigId}/picture`}
          encType="multipart/form-data"
          onSubmit={() => setShown(shown + 1)}
          className="mt-2 grid grid-cols-1 justify-items-start gap-2"
        >
          <label className="text-sm">
            <span className="block text-muted">
              Optional picture. Place and camera data are removed; it stays on this machine.
            </span>
            <input
              type="file"
              name="picture"
              accept="image/jpeg,image/png,image/webp"
              className="mt-1 w-full rounded-sm border border-rule bg-sheet p-2 text-sm file:mr-2 file:border-0 file:bg-transparent file:font-bold"
            />
          </label>
          <span className="flex gap-3">
            <Button type="submit" disabled={busy} className="text-sm">
              {busy ? 'Reading …' : 'Keep the picture'}
            </Button>
            {hasPicture && (
              <Button look="quiet" type="submit" name="intent" value="remove" disabled={busy}>
                remove it
              </Button>
            )}
          </span>
          {answered(picture.data)?.sentence && (
            <p role="alert" className="text-sm font-bold text-hazard">
              {answered(picture.data)?.sentence}
            </p>
          )}
          <AwayNotice answer={picture.data} />
        </picture.Form>
      </div>
      <choice.Form method="post" action={`/rigs/${rigId}/rules`}>
        <label className="text-sm">
          <span className="block text-muted">Event rules to check</span>
          <select
            name="rules"
            defaultValue={rulesId ?? ''}
            onChange={(event) => void choice.submit(event.currentTarget.form)}
            className={INPUT}
          >
            <option value="">none</option>
            {rules.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <AwayNotice answer={choice.data} />
        <p className="text-sm">
          <Link to="/rules" className="inline-block min-h-8 py-1 underline underline-offset-4">
            Enter an event’s rules
          </Link>
        </p>
      </choice.Form>
    </div>
  );
}
