/** The owner's password: kept as Argon2id, the cost that the library has as its usual (19 MiB, two passes: OWASP's least). */
import { hash, verify } from '@node-rs/argon2';

/** ASVS 4.0.3, V2.1.1 and V2.1.2. */
export const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 128;

/** What is wrong with a password that is chosen, in a sentence; undefined where it will do. @param names that it must not be made of */
export function passwordFault(password: string, names: readonly string[]): string | undefined {
  const length = Array.from(password).length;
  if (length < SHORTEST_PASSWORD)
    return `That has ${length} ${length === 1 ? 'character' : 'characters'}. Take ${SHORTEST_PASSWORD} or more: four words will do.`;
  if (length > LONGEST_PASSWORD) return `That has ${length} characters. Take ${LONGEST_PASSWORD} at most.`;
  const plain = password.toLowerCase();
  if (new Set(plain).size < LEAST_DIFFERENT) return 'That repeats too few characters. Take four words, say.';
  if (RUNS.some((run) => run.includes(plain.slice(0, SHORTEST_PASSWORD))))
    return 'That is a row of keys. Take four words, say.';
  if (
    names.some(
      (name) =>
        name.length >= LEAST_DIFFERENT && plain.replaceAll(name.toLowerCase(), '').length < LEAST_DIFFERENT,
    )
  )
    return 'That is little more than the name of the garage. Take four words, say.';
  return undefined;
}

const LEAST_DIFFERENT = 5;
const RUNS = ['abcdefghijklmnopqrstuvwxyz', '123456789012345678901234567890', 'qwertyuiopasdfghjklzxcvbnm'];

export const hashPassword = (password: string): Promise<string> => hash(password);

/** A password that nobody has: checked where there is none to check, so that both take as long. */
const nobodys = hash(crypto.randomUUID());

/** @param kept as it was hashed; null where there is none: then it is never right */
export async function isPassword(kept: string | null, typed: string): Promise<boolean> {
  const isRight = await verify(kept ?? (await nobodys), typed.slice(0, LONGEST_PASSWORD));
  return kept !== null && isRight;
}
