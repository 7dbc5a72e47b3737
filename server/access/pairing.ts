/** Codes with which a device is paired: short enough to type with cold fingers, good once and for a few minutes. */
import { createHash, randomInt } from 'node:crypto';
import type { Role } from './who';

/** What whoever shows the code becomes. */
export interface Invitation {
  garageId: string;
  role: Role;
  /** How the device is called. */
  name: string;
  sees: { rigId: string; setUpId: string | undefined } | undefined;
}

/** No letter or digit that looks like another. 28 to the power of 8: 378 billion codes. */
const SIGNS = 'ABCDEFGHJKMNPQRTUVWXYZ234679';
const LENGTH = 8;
export const CODE_LASTS_MS = 10 * 60_000;
/** Open at a time for one garage; the oldest is let go of. */
const MOST_OPEN = 10;

interface Open extends Invitation {
  endsMs: number;
}

/** The open codes of this server. They are kept in memory only: after a restart new ones are made. */
export class Invitations {
  readonly #open = new Map<string, Open>();

  /** @param now ms, from any zero */
  constructor(private readonly now: () => number = () => performance.now()) {}

  /** @returns the code, as it is shown and typed */
  invite(invitation: Invitation): string {
    const code = Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)]!).join('');
    const mine = [...this.#open].filter(([, { garageId }]) => garageId === invitation.garageId);
    for (const [digest] of mine.slice(0, Math.max(0, mine.length - MOST_OPEN + 1))) this.#open.delete(digest);
    this.#open.set(digestOf(code), { ...invitation, endsMs: this.now() + CODE_LASTS_MS });
    return `${code.slice(0, LENGTH / 2)}-${code.slice(LENGTH / 2)}`;
  }

  /** Takes a code back from whoever shows it; nobody can show it again. Undefined where it is none, or too old. */
  accept(typed: string): Invitation | undefined {
    const digest = digestOf(typed.toUpperCase().replaceAll(/[^A-Z0-9]/g, ''));
    const open = this.#open.get(digest);
    this.#open.delete(digest);
    if (!open || open.endsMs <= this.now()) return undefined;
    const { garageId, role, name, sees } = open;
    return { garageId, role, name, sees };
  }

  /** Lets go of all codes of a garage. */
  forget(garageId: string): void {
    for (const [digest, open] of this.#open) if (open.garageId === garageId) this.#open.delete(digest);
  }
}

/** Looked up by digest: how long that takes says nothing about how much of a code was right. */
const digestOf = (code: string): string => createHash('sha256').update(code).digest('hex');
