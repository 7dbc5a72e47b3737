/** What devices tell the server of a load that several see. */
import { MEDIA, type MediumFamily } from '#core/esc/media';
import type { LoadWord } from '#core/plan/ownLoad';
import { KEYS, type Input } from '#core/procedure/language';
import * as yup from 'yup';
import {
  between,
  idField,
  keyOf,
  listOf,
  oneOf,
  record,
  stopByItem,
  textField,
  variants,
  whole,
  yesNo,
} from '#formats/fields';
import { handValues } from '#formats/handValues';

/** What a device asks of a load. */
export type OwnLoadAsked =
  | {
      do: 'begin';
      escNumber: number;
      id: string;
      family: MediumFamily;
      precaution: string;
      intents: Record<string, string>;
      after: Record<string, number>;
      alongside: number[];
    }
  | { do: 'say'; escNumber: number; id: string; wordId: string; place: number; word: LoadWord }
  | { do: 'take' | 'end'; escNumber: number; id: string };

const key = oneOf(KEYS);
const LONGEST_WAIT_MS = 600_000;

const input = variants<Input, 'type'>('type', {
  down: record({ type: oneOf(['down']), key }),
  up: record({ type: oneOf(['up']), key }),
  power: record({ type: oneOf(['power']), on: yesNo() }),
  card: record({ type: oneOf(['card']), in: yesNo() }),
  stick: record({ type: oneOf(['stick']), micros: between(0, 5000, 'µs') }),
  code: record({ type: oneOf(['code']), digits: textField().max(20, 'is longer than any code') }),
  elapsed: record({ type: oneOf(['elapsed']), ms: between(0, LONGEST_WAIT_MS, 'ms') }),
});

/** More than any step asks of a hand: a value of five hundred takes three inputs each. */
const MOST_INPUTS = 2000;
const stops = stopByItem() as unknown as yup.ObjectSchema<Record<string, string>>;

const word = variants<LoadWord, 'say'>('say', {
  done: record({ say: oneOf(['done']), inputs: listOf(input, 1, MOST_INPUTS) }),
  shows: record({ say: oneOf(['shows']), itemId: idField(), stopId: idField() }),
  counted: record({ say: oneOf(['counted']), itemId: idField(), flashes: whole(1, 99) }),
  lost: record({ say: oneOf(['lost']), itemId: idField().nullable().defined() }),
});

const escNumber = whole(1, 12);
const id = yup.string().strict().uuid('must be a UUID').required('is missing');

export const ownLoadSchema = variants<OwnLoadAsked, 'do'>('do', {
  begin: record({
    do: oneOf(['begin']),
    escNumber,
    id,
    family: keyOf<MediumFamily>(MEDIA),
    precaution: textField().max(300, 'is longer than any precaution'),
    intents: stops,
    after: handValues,
    alongside: listOf(escNumber, 0, 12),
  }),
  say: record({ do: oneOf(['say']), escNumber, id, wordId: id, place: whole(0, 10_000), word }),
  take: record({ do: oneOf(['take']), escNumber, id }),
  end: record({ do: oneOf(['end']), escNumber, id }),
});
