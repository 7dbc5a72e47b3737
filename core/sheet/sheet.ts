/** A sheet: what was loaded into an ESC, when, and on what evidence. Never edited, only succeeded. */
import type { MediumFamily } from '../esc/media';
import { itemById, labelIn, stopById, type EscProfile } from '../esc/profile';
import type { HandValues } from '../rig/handValues';
import type { Reasons } from './draft';
import type { EvidenceBasis, Holdings } from './evidence';
import type { OtherEsc } from './severalEscs';

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
  /** In the ESC's own order; of several, those of the first. */
  values: SheetValue[];
  /** What the other ESCs of the model held; empty where there is one, and on sheets from before they were written down. */
  otherEscs: { escNumber: number; values: SheetValue[] }[];
  /** Items that this load changed. */
  changedItemIds: string[];
  /** Of the model and its radio; empty on sheets from before it was written down. */
  byHand: HandValues;
  /** The set-up that the load was done for, or that was on the ESC before; null where it was none. */
  setUp: { id: string; name: string } | null;
  /** Why values that this load changed were chosen. */
  reasons: Reasons;
  note: string;
}

/** Writes down what an ESC holds at this moment, readable without its profile. */
export function writeSheet(
  profile: EscProfile,
  holdings: Holdings,
  rest: Pick<
    Sheet,
    | 'id'
    | 'rigName'
    | 'keptAt'
    | 'medium'
    | 'simulated'
    | 'changedItemIds'
    | 'byHand'
    | 'setUp'
    | 'reasons'
    | 'note'
  >,
  others: readonly OtherEsc[] = [],
): Sheet {
  return {
    ...rest,
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    values: valuesOf(profile, holdings, rest.keptAt),
    otherEscs: others.map(({ escNumber, holdings: its }) => ({
      escNumber,
      values: valuesOf(profile, its, rest.keptAt),
    })),
  };
}

const valuesOf = (profile: EscProfile, holdings: Holdings, keptAt: string): SheetValue[] =>
  profile.items.map((item) => {
    const { stopId, basis, at } = holdings[item.id] ?? { stopId: null, basis: 'assumedFactory', at: keptAt };
    const stop = stopId === null ? undefined : stopById(itemById(profile, item.id), stopId);
    return {
      itemId: item.id,
      itemNumber: item.number,
      itemLabel: labelIn(profile, item),
      stopId,
      // A curve that its owner drew has no number.
      stopNumber: stop?.number || null,
      stopLabel: stop?.label ?? null,
      basis,
      seenAt: at,
    };
  });

/** Whether an ESC is known to hold still all that a sheet says. */
export const isStillHeld = (sheet: Pick<Sheet, 'values'>, holdings: Holdings): boolean =>
  sheet.values.every(({ itemId, stopId }) => (holdings[itemId]?.stopId ?? null) === stopId);

/** Whether every ESC of a model is known to hold still all that a sheet says of it. */
export const isHeldByAll = (sheet: Sheet, first: Holdings, others: readonly OtherEsc[]): boolean =>
  isStillHeld(sheet, first) &&
  others.every(({ escNumber, holdings }) => {
    const its = sheet.otherEscs.find((esc) => esc.escNumber === escNumber);
    return its !== undefined && isStillHeld(its, holdings);
  });
