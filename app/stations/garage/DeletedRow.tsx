import type { ListedRig } from '#server/repositories/garageList';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';

/** A rig in the bin: it comes back as it was, or goes for good. */
export function DeletedRow({ rig: { id, name }, busy }: { rig: ListedRig; busy: boolean }) {
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule py-2">
      <span className="min-w-0 basis-full font-display text-xl font-bold wrap-anywhere sm:flex-1 sm:basis-0">
        {name}
      </span>
      <Form method="post">
        <input type="hidden" name="rigId" value={id} />
        <Button look="quiet" type="submit" name="intent" value="bringBack" disabled={busy}>
          bring back<span className="sr-only"> {name}</span>
        </Button>
      </Form>
      <Confirm
        trigger={
          <Button look="quiet" disabled={busy}>
            delete for good<span className="sr-only"> {name}</span>
          </Button>
        }
        title={`Delete “${name}” for good?`}
        text="This also deletes its sheets, calibrations and draft. You cannot undo it."
        method="post"
        fields={{ rigId: id, intent: 'forget' }}
        yes="Delete for good"
        no="Keep it in the bin"
      />
    </li>
  );
}
