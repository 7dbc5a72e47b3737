import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { useYou } from '../../ui/useYou';

interface DraftProps {
  rigId: string;
  like: string;
  values: { stops: object; byHand: object };
  name: string;
}

/** Drafts values on a rig and goes on to its load. */
export function DraftOn({ rigId, like, values, name }: DraftProps) {
  const count = Object.keys(values.stops).length + Object.keys(values.byHand).length;
  const { isOwner } = useYou();
  if (count === 0 || !isOwner) return null;
  return (
    <Form method="post">
      <input type="hidden" name="rigId" value={rigId} />
      <input type="hidden" name="like" value={like} />
      <input type="hidden" name="values" value={JSON.stringify(values)} />
      <Button type="submit">
        Load {count} {count === 1 ? 'change' : 'changes'}
        <span className="sr-only"> on {name}</span>
      </Button>
    </Form>
  );
}
