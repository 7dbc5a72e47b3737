/** A sheet: what was loaded into an ESC, when, and on what evidence. Never edited, only succeeded. */
import type { MediumFamily } from '../esc/media';
import { itemById, stopById, type EscProfile } from '../esc/profile';
import type { HandValues } from '../rig/handValues';
import type { EvidenceBasis, Holdings } from './evidence';

export interface SheetValue {
  itemId: string;
  itemNumber: number;
  itemLabel: string;
  /** Null where nobody knows. */
  stopId: string | null;
  stopNumber: number | null;
  stopLabel: string | null;
  basis: EvidenceBasis;
  /** ISO 8601. */
  seenAt: string;
}

export interface Sheet {
  /** Permanent; the same in every copy of the file. */
  id: string;
  rigName: string;
  profileId: string;
  profileRevision: number;
  profileName: string;
  /** ISO 8601. */
  keptAt: string;
  /** How it was loaded or read; null where nobody wrote it down. */
  medium: MediumFamily | null;
  /** Whether the ESC was the simulated one; null where nobody wrote it down. */
  simulated: boolean | null;
  /** In the ESC's own order. */
  values: SheetValue[];
  /** Items that this load changed. */
  changedItemIds: string[];
  /** Of the model and its radio; empty on sheets from before it was written down. */
  setup: HandValues;
  note: string;
}

/** Writes down what an ESC holds at this moment, readable without its profile. */
export function writeSheet(
  profile: EscProfile,
  holdings: Holdings,
  rest: Pick<
    Sheet,
    'id' | 'rigName' | 'keptAt' | 'medium' | 'simulated' | 'changedItemIds' | 'setup' | 'note'
  >,
): Sheet {
  return {
    ...rest,
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    values: profile.items.map((item) => {
      const { stopId, basis, at } = holdings[item.id] ?? {
        stopId: null,
        basis: 'assumedFactory',
        at: rest.keptAt,
      };
      const stop = stopId === null ? undefined : stopById(itemById(profile, item.id), stopId);
      return {
        itemId: item.id,
        itemNumber: item.number,
        itemLabel: item.label,
        stopId,
        stopNumber: stop?.number ?? null,
        stopLabel: stop?.label ?? null,
        basis,
        seenAt: at,
      };
    }),
  };
}

/** Whether an ESC is known to hold still all that a sheet says. */
export const isStillHeld = (sheet: Sheet, holdings: Holdings): boolean =>
  sheet.values.every(({ itemId, stopId }) => (holdings[itemId]?.stopId ?? null) === stopId);
