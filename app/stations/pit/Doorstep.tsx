import type { ReactNode } from 'react';
import { Logo } from '../../ui/Logo';

/** A page for whoever is not in yet: nothing on it says what is inside. */
export function Doorstep({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="mx-auto max-w-md px-5 py-8">
      <Logo />
      <h1 className="mt-6 text-3xl">{title}</h1>
      {children}
    </main>
  );
}
