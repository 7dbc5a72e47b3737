/** How this bench is shared, for whoever has to say it. */

/** What the owner's page says of the door. */
export interface Shared {
  /** Whole addresses, the plainest first. */
  addresses: string[];
  /** What a phone comes to trust, as PEM. */
  certificate: string;
  fingerprint: string;
}

let shared: Shared | undefined;

/** How this bench is shared; undefined where it is not. */
export const howShared = (): Shared | undefined => shared;

export function nowShared(how: Shared): void {
  shared = how;
}
