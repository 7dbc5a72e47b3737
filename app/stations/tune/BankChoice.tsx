import { itemById } from '#core/esc/profile';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

interface Props {
  /** The bank that is looked at; undefined for the one that is drafted. */
  looked: string | undefined;
  onLook: (stopId: string) => void;
}

/** Where an ESC keeps several sets of values: which of them is looked at, and which one it drives with. */
export function BankChoice({ looked, onLook }: Props) {
  const { profile, drafted, move } = useBench();
  if (!profile.banks) return null;
  const { itemId, fixedStopIds } = profile.banks;
  const item = itemById(profile, itemId);
  const shown = looked ?? drafted[itemId]!;
  return (
    <section aria-label="Banks" className="flex flex-wrap items-center gap-3 border-b border-rule px-5 py-2">
      <span className="text-muted">{item.label}</span>
      {item.stops.map(({ id, label }) => (
        <Button
          key={id}
          look={id === shown ? 'main' : 'quiet'}
          aria-pressed={id === shown}
          onClick={() => onLook(id)}
        >
          {label}
          {id === drafted[itemId] && ' · driven'}
        </Button>
      ))}
      {fixedStopIds.includes(shown) && <span className="text-sm">Fixed by the maker.</span>}
      {shown !== drafted[itemId] && <Button onClick={() => move(itemId, shown)}>Drive with this one</Button>}
    </section>
  );
}
