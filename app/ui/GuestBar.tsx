import { ROLE_WORDS } from './roleWords';
import { useYou } from './useYou';

/** Above every page of a device that is not its owner's: as what it is here, and what that means. */
export function GuestBar() {
  const { role, name } = useYou();
  if (role === 'owner' || name === '') return null;
  return (
    <aside
      aria-label="Who you are here"
      className="border-b border-rule bg-sheet px-5 py-1 text-sm print:hidden"
    >
      <strong>{name}</strong>. {ROLE_WORDS[role].you}
    </aside>
  );
}
