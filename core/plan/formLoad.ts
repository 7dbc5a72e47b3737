/**
 * A load through a form of the maker's own program: what to set, page by page, and what the form shows when it has been read
 * again. Nothing of it is known to this page but what its user reads off.
 */
import type { ProgramFormMedium } from '../esc/media';
import {
  hasStop,
  itemById,
  stopById,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '../esc/profile';
import { curveStopId, typedOutputs } from '../esc/freeCurve';
import { numbersOf } from '../esc/numberField';
import { setAlong, type Change } from '../sheet/draft';
import { readNumber } from '../units/readNumber';
import type { Finding } from './loadSession';

/** A page of the form with what has to be set on it. */
export interface FormTask {
  title: string;
  changes: Change[];
}

const REST_TITLE = 'Elsewhere on the form';

/** The items of a form, page by page, in its order; what stands on no page comes last. */
export function formItems(
  profile: EscProfile,
  { pages }: ProgramFormMedium,
): { title: string; items: ProfileItem[] }[] {
  const placed = new Set(pages.flatMap(({ itemIds }) => itemIds));
  const rest = profile.items.filter(({ id }) => !placed.has(id));
  const known = pages.map(({ title, itemIds }) => ({
    title,
    items: itemIds.map((id) => itemById(profile, id)),
  }));
  const title = pages.length === 0 ? 'The form' : REST_TITLE;
  return rest.length > 0 ? [...known, { title, items: rest }] : known;
}

/** What differs, page by page in the form's order; pages on which nothing does are left out. */
export const formTasks = (
  profile: EscProfile,
  medium: ProgramFormMedium,
  changes: readonly Change[],
): FormTask[] =>
  formItems(profile, medium)
    .map(({ title, items }) => ({
      title,
      changes: items.flatMap(({ id }) => changes.find(({ itemId }) => itemId === id) ?? []),
    }))
    .filter((page) => page.changes.length > 0);

/** What somebody reads off the form for one item. */
export type ReadOff =
  | { kind: 'stop'; stop: Stop }
  /** A number that is the number of one stop and the label of another. */
  | { kind: 'both'; byNumber: Stop; byLabel: Stop }
  | { kind: 'unknown' };

/**
 * The stop that is meant by its label, with or without its unit, or by its number; both are told where they differ.
 * @param stops those that may be meant: of a number, what is read is a size, and never the place of a stop
 */
export function readOff(item: ProfileItem, text: string, stops: readonly Stop[] = item.stops): ReadOff {
  const drawn = item.freeCurve && curveStopId(typedOutputs(text));
  if (drawn && hasStop(item, drawn)) return { kind: 'stop', stop: stopById(item, drawn) };
  const said = text.trim().toLowerCase();
  const exact = stops.filter(({ label }) => label.trim().toLowerCase() === said);
  const size = sizeIn(said);
  const sized = size === undefined ? [] : stops.filter(({ label }) => sizeIn(label) === size);
  const byLabel = exact.length > 0 ? exact : sized;
  const numbers = numbersOf(item);
  const byNumber = /^\d+$/.test(said)
    ? stops.find((stop) => stop.number === Number(said) && !numbers.includes(stop))
    : undefined;
  if (byLabel.length > 1) return { kind: 'unknown' };
  const [labelled] = byLabel;
  if (labelled && byNumber && labelled.id !== byNumber.id)
    return { kind: 'both', byNumber, byLabel: labelled };
  const stop = labelled ?? byNumber;
  return stop ? { kind: 'stop', stop } : { kind: 'unknown' };
}

/** The number of a label such as "75 %" or "7,5°"; undefined where it is more than a number and its unit. */
function sizeIn(label: string): number | undefined {
  const number = /^(?:[a-z]+ )?([-−+]?\d+(?:[.,]\d+)?)\s*[^\d\s]*$/iu.exec(label.trim())?.[1];
  return number === undefined ? undefined : readNumber(number);
}

/** How far such a load is: what the ESC should hold, what was found on the form since it was sent, and what is left. */
export interface FormSession {
  target: StopByItem;
  /** Items that nobody set: the ESC sets them along with others. */
  along: readonly string[];
  /** Items whose present value was read off the form and is as meant. */
  confirmed: readonly string[];
  /** Items that were found to hold something else, and what. */
  astray: StopByItem;
}

/** @param intents what has to be right in the end; what the ESC sets along with it is to be looked at as well */
export function beginForm(profile: EscProfile, intents: StopByItem): FormSession {
  const sets = Object.entries(intents).map(([itemId, stopId]) => setAlong(profile, itemId, stopId));
  const target = Object.assign({}, ...sets, intents) as StopByItem;
  const along = Object.keys(target).filter((id) => intents[id] === undefined);
  return { target, along, confirmed: [], astray: {} };
}

/** What is learned when the user says that the form was sent: it is stored, and nobody has seen it yet. */
export const afterSent = ({ target, along }: FormSession): Finding[] =>
  Object.entries(target).map(([itemId, stopId]) => ({
    itemId,
    stopId,
    basis: along.includes(itemId) ? 'setAlong' : 'seenStored',
  }));

/** After the form was read again and one value was looked at. */
export function afterReadOff(session: FormSession, itemId: string, stopId: string): FormSession {
  const isRight = session.target[itemId] === stopId;
  const { [itemId]: _before, ...others } = session.astray;
  return {
    ...session,
    confirmed: isRight
      ? [...session.confirmed.filter((id) => id !== itemId), itemId]
      : session.confirmed.filter((id) => id !== itemId),
    astray: isRight ? others : { ...others, [itemId]: stopId },
  };
}

/** Items that nobody has looked at since the form was sent. */
export const unread = ({ target, confirmed, astray }: FormSession): string[] =>
  Object.keys(target).filter((id) => !confirmed.includes(id) && astray[id] === undefined);
