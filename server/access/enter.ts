/** How a stranger comes in: with a pairing code, or as the owner with his password. */
import { garageToSignInTo, ownerPasswordOf } from '../repositories/garages';
import { noteDeed } from '../repositories/deeds';
import { addDevice, signOut, type NewDevice } from '../repositories/devices';
import { Delays } from './delays';
import { Invitations } from './pairing';
import { isPassword } from './passwords';
import type { AtDoor } from '../doorContext';
import { whoMayAsk } from './who';

export const invitations = new Invitations();
const delays = new Delays();

export type Entered =
  | { ok: true; device: NewDevice }
  /** Why not, in a sentence that tells a stranger nothing. */
  | { ok: false; sentence: string };

/** Pairs the device that shows a code. */
export const pair = (typed: string, door: AtDoor): Promise<Entered> =>
  enter(door, 'was paired', 'That code is not right, or no longer. Make another one at the bench.', () =>
    Promise.resolve(invitations.accept(typed)),
  );

/** Signs the owner in. @param garage by its name @param name how the device is called from then on */
export const signIn = (garage: string, password: string, name: string, door: AtDoor): Promise<Entered> =>
  enter(door, 'signed in', 'Garage and password do not belong together.', async () => {
    const found = await garageToSignInTo(garage);
    const isRight = await isPassword(found?.ownerPassword ?? null, password);
    return found && isRight ? { garageId: found.id, role: 'owner', name, sees: undefined } : undefined;
  });

/** Whether a password is the one of a garage. Guessed as slowly as at the door. */
export async function isOwnersPassword(garageId: string, password: string): Promise<boolean> {
  if (delays.waitMs(garageId) > 0) return false;
  delays.tried(garageId);
  const isRight = await isPassword(await ownerPasswordOf(garageId), password);
  if (isRight) delays.succeeded(garageId);
  return isRight;
}

async function enter(
  door: AtDoor,
  done: string,
  wrong: string,
  check: () => Promise<NewDevice | undefined>,
): Promise<Entered> {
  const waitMs = delays.waitMs(door.address);
  if (waitMs > 0) return refused(`Too many tries. Wait ${Math.ceil(waitMs / 1000)} s, then try again.`);
  delays.tried(door.address);
  const device = await check();
  if (!device) return refused(wrong);
  delays.succeeded(door.address);
  // Never the token that was shown before: nobody can have it laid into the browser beforehand.
  const token = await addDevice(device);
  if (token === undefined) return refused('This garage has 50 devices. Remove one at the bench first.');
  door.giveToken(token);
  // Who pairs a paired device again does not leave the one of before behind.
  const before = whoMayAsk()?.deviceId;
  if (before !== undefined) await signOut(before);
  await noteDeed({ ...device, deviceId: undefined }, done, null);
  return { ok: true, device };
}

const refused = (sentence: string): Entered => ({ ok: false, sentence });
