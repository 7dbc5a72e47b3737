/** Who asks: known from the first step of a request to its last, without being handed on. */
import { AsyncLocalStorage } from 'node:async_hooks';

/** From least to most. */
export const ROLES = ['visitor', 'helper', 'owner'] as const;
export type Role = (typeof ROLES)[number];

export interface Principal {
  garageId: string;
  role: Role;
  /** The device, as its owner calls it. */
  name: string;
  /** The bench itself is no device. */
  deviceId: string | undefined;
  /** All that a visitor sees. */
  sees: { rigId: string; setUpId: string | undefined } | undefined;
}

const asking = new AsyncLocalStorage<Principal>();

/** Does something, and all that follows from it, as asked by this one. */
export const askedBy = <T>(principal: Principal, work: () => T): T => asking.run(principal, work);

/** @throws {Error} where nobody asks: a query outside of a request names its garage itself */
export function whoAsks(): Principal {
  const principal = asking.getStore();
  if (!principal) throw new Error('nobody asks: this may only be called while a request is answered');
  return principal;
}

/** Undefined for a stranger, who sees the doorstep only. */
export const whoMayAsk = (): Principal | undefined => asking.getStore();

/** Whether a role may do what another may. */
export const isAtLeast = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);
