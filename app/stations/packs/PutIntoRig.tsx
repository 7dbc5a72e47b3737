import type { ShelfPack } from '#core/packs/shelfPack';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { INPUT } from '../rig/formParts';

interface Props {
  pack: ShelfPack;
  rigs: readonly { rigId: string; name: string }[];
}

/** Gives a model the numbers of a pack: traces, verdicts and plans count with them from then on. */
export function PutIntoRig({ pack, rigs }: Props) {
  return (
    <section aria-label="Into a model" className="mt-8">
      <h2 className="text-2xl">Into a model</h2>
      {rigs.length === 0 ? (
        <p className="mt-1 text-muted">
          No rig here takes {pack.cells} cells of this chemistry. Change the pack of a rig on its Rig page
          first.
        </p>
      ) : (
        <Form method="post" className="mt-2 flex min-w-0 flex-wrap items-center gap-3">
          <input type="hidden" name="intent" value="into rig" />
          <label className="flex max-w-full min-w-0 items-center gap-3">
            Rig
            <select name="rigId" className={`${INPUT} flex-1`}>
              {rigs.map(({ rigId, name }) => (
                <option key={rigId} value={rigId}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <Button type="submit">Count with this pack</Button>
          <span className="text-sm text-muted">
            Its capacity, rating and measured resistance take the place of those typed there.
          </span>
        </Form>
      )}
    </section>
  );
}
