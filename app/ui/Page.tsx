import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { PreferencesDialog } from '../preferences/PreferencesDialog';
import { Logo } from './Logo';
import { useYou } from './useYou';

/** Each with who sees it. */
const PLACES = [
  ['/', 'Rigs', 'helper'],
  ['/packs', 'Packs', 'helper'],
  ['/days', 'Days', 'helper'],
  ['/rehearse', 'Rehearse', 'helper'],
  ['/profiles', 'ESC profiles', 'helper'],
  ['/rules', 'Event rules', 'helper'],
  ['/alike', 'Should match', 'helper'],
  ['/pit', 'Pit', 'owner'],
  ['/copies', 'Copies', 'owner'],
  ['/glossary', 'Glossary', 'visitor'],
] as const;

/** A page outside of any rig: the way to the others above it. */
export function Page({ wide = false, children }: { wide?: boolean; children: ReactNode }) {
  const { sees } = useYou();
  return (
    <>
      <header className="flex min-h-14 flex-wrap items-center gap-x-6 gap-y-1 border-b border-ink px-5 py-2 print:hidden">
        <Logo />
        <nav aria-label="Places" className="order-last w-full sm:order-none sm:w-auto sm:flex-1">
          <ul className="flex flex-wrap gap-x-5">
            {PLACES.filter(([, , least]) => sees(least)).map(([to, name]) => (
              <li key={to}>
                <NavLink
                  to={to}
                  end={to === '/'}
                  className="inline-block min-h-8 py-1 hover:text-draft aria-[current=page]:border-b-2 aria-[current=page]:border-draft aria-[current=page]:font-bold"
                >
                  {name}
                </NavLink>
              </li>
            ))}
          </ul>
        </nav>
        <span className="ml-auto">
          <PreferencesDialog />
        </span>
      </header>
      <main className={`mx-auto px-5 py-8 ${wide ? 'max-w-6xl' : 'max-w-4xl'}`}>{children}</main>
    </>
  );
}
