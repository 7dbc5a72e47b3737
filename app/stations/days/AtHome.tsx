import type { Reminder } from '#core/days/reminders';
import { Link } from 'react-router';

const TO: Record<Reminder['kind'], (id: string) => string> = {
  pack: (id) => `/packs/${id}`,
  putBack: (id) => `/rigs/${id}/load`,
  firmware: (id) => `/rigs/${id}/esc`,
};

/** What should not lie as it lies, nor stay as it is; nothing where there is nothing to do. */
export function AtHome({ reminders }: { reminders: readonly Reminder[] }) {
  if (reminders.length === 0) return null;
  return (
    <section aria-label="To do at home" className="mt-4 border-l-4 border-caution bg-caution-wash p-3">
      <h2 className="text-xl">To do at home</h2>
      <ul className="mt-1">
        {reminders.map(({ kind, id, sentence, remedy }) => (
          <li key={`${id} ${sentence}`} className="min-h-9 py-1">
            <Link to={TO[kind](id)} className="font-bold underline underline-offset-4">
              {sentence}
            </Link>{' '}
            {remedy}
          </li>
        ))}
      </ul>
    </section>
  );
}
