/** Tones and blinks to recognise against the clock: what was missed comes back sooner. */
import { mediumOf, type Notes } from '../esc/media';
import type { EscProfile, ProfileItem } from '../esc/profile';
import type { ToneName } from '../procedure/language';

/** Something to recognise, and what it means. */
export interface Sign {
  id: string;
  shown:
    | { kind: 'notes'; notes: Notes }
    | { kind: 'tone'; tone: ToneName }
    | { kind: 'flashes'; lamp: string; count: number };
  meaning: string;
}

/** How well each sign is known: it comes back after so many others. */
export interface Known {
  /** 0: new or missed; each time it is recognised, one more. */
  level: number;
  /** At which turn it is due. */
  dueAt: number;
}
export type Learned = Readonly<Record<string, Known>>;

/** What is known of an ESC's signs, and how many were shown so far. */
export interface SignsLearned {
  turn: number;
  learned: Learned;
}

/** After how many others a sign comes back, by level. */
const COMES_BACK_AFTER = [1, 3, 7, 15, 31] as const;
const LAST_LEVEL = COMES_BACK_AFTER.length - 1;

/** A sign must be known in this time, s. Assumed: to hear it out, and to find its meaning among four. */
export const SECONDS_TO_RECOGNISE = 6;

/** So many meanings are offered. */
export const CHOICES = 4;

/** Everything that this ESC says in tones and blinks. */
export function signsOf(profile: EscProfile): Sign[] {
  const tones = mediumOf(profile.media, 'stickTones');
  const toggle = mediumOf(profile.media, 'stickToggle');
  const oneKey = mediumOf(profile.media, 'oneKey');
  const byNotes = tones ?? toggle;
  const mostStops = Math.max(...profile.items.map(({ stops }) => stops.length));
  return [
    ...(byNotes?.itemNotes ?? []).flatMap((notes, place) => {
      const item = profile.items.find(({ number }) => number === place + 1);
      return item ? [notesSign(`item ${item.number}`, notes, itemMeaning(item))] : [];
    }),
    ...(tones?.stopNotes ?? [])
      .slice(0, mostStops)
      .map((notes, place) => notesSign(`stop ${place + 1}`, notes, `stop ${place + 1}`)),
    ...(byNotes ? [notesSign('exit', byNotes.exitNotes, 'the way out')] : []),
    ...(oneKey
      ? profile.items.map((item) => flashSign('item', oneKey.menuLamp, item.number, itemMeaning(item)))
      : []),
    ...(oneKey
      ? Array.from({ length: mostStops }, (_, n) =>
          flashSign('stop', oneKey.valueLamp, n + 1, `stop ${n + 1}`),
        )
      : []),
    ...(Object.keys(TONE_MEANINGS) as ToneName[]).map((tone): Sign => ({
      id: `tone ${tone}`,
      shown: { kind: 'tone', tone },
      meaning: TONE_MEANINGS[tone],
    })),
  ];
}

const itemMeaning = ({ number, label }: ProfileItem): string => `item ${number}, “${label}”`;

// Short ids, whatever an ESC calls its items: they are kept. Other notes are another sign.
const notesSign = (of: string, notes: Notes, meaning: string): Sign => ({
  id: `${of} ${notes}`,
  shown: { kind: 'notes', notes },
  meaning,
});

const flashSign = (of: 'item' | 'stop', lamp: string, count: number, meaning: string): Sign => ({
  id: `${of} ${count} flashes`,
  shown: { kind: 'flashes', lamp, count },
  meaning,
});

const TONE_MEANINGS: Readonly<Record<ToneName, string>> = {
  short: 'one point taken, or one step',
  long: 'stored',
  rising: 'ready to drive',
  falling: 'left the menu',
  warning: 'refused',
  steady: 'it waits for its points',
  tune: 'taken',
  reset: 'everything on the factory’s values',
};

/**
 * The sign that is due. What is due longest comes first; a new one where nothing is.
 * @param turn how many were shown before
 */
export function nextSign(
  signs: readonly Sign[],
  learned: Learned,
  turn: number,
  last: string | undefined,
): Sign {
  const open = signs.length > 1 ? signs.filter(({ id }) => id !== last) : signs;
  const due = open
    .filter(({ id }) => learned[id] !== undefined && learned[id].dueAt <= turn)
    .toSorted((a, b) => learned[a.id]!.dueAt - learned[b.id]!.dueAt);
  const fresh = open.find(({ id }) => learned[id] === undefined);
  const soonest = open.toSorted((a, b) => (learned[a.id]?.dueAt ?? 0) - (learned[b.id]?.dueAt ?? 0));
  return due[0] ?? fresh ?? soonest[0]!;
}

/** After an answer. One that came too late counts as missed. */
export function afterAnswer(learned: Learned, sign: Sign, turn: number, isRight: boolean): Learned {
  const level = isRight ? Math.min((learned[sign.id]?.level ?? 0) + 1, LAST_LEVEL) : 0;
  return { ...learned, [sign.id]: { level, dueAt: turn + 1 + COMES_BACK_AFTER[level]! } };
}

/** The meanings to choose from, the right one among them, in an order that does not tell. */
export function choicesFor(signs: readonly Sign[], sign: Sign, random: () => number): string[] {
  const others = [...new Set(signs.filter(looksLike(sign)).map(({ meaning }) => meaning))].filter(
    (meaning) => meaning !== sign.meaning,
  );
  const chosen: string[] = [sign.meaning];
  while (chosen.length < CHOICES && others.length > 0)
    chosen.push(...others.splice(Math.floor(random() * others.length), 1));
  return chosen
    .map((meaning) => ({ meaning, at: random() }))
    .toSorted((a, b) => a.at - b.at)
    .map(({ meaning }) => meaning);
}

/** A count of flashes is not mistaken for a tune. */
const looksLike =
  ({ shown }: Sign) =>
  (other: Sign): boolean =>
    (other.shown.kind === 'flashes') === (shown.kind === 'flashes');
