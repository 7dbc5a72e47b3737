import { usualGoals } from '#core/advice/goals';
import { factoryStops, nameOf } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import { OUTCOMES, translate as translated, type TranslatedRow } from '#core/setUps/translate';
import type { LiveTuneDocument } from '#formats/document';
import type { Context } from '../context';
import { Refused } from '../refused';

/** Values for another ESC, each with why. @returns also whether nothing was left to choose */
export function translate(
  context: Context,
  onto: LiveTuneDocument | undefined,
): { clear: boolean; output: object } {
  if (onto?.format !== 'live-tune/esc-profile')
    throw new Refused('translate needs the other ESC: add --onto and the file of its profile.');
  const { format: _format, version: _version, ...target } = onto;
  const { rig, profile, stops, said } = context;
  const range = rangeOf(rig.channel);
  const { rows, untouched } = translated({
    rig,
    goals: usualGoals(rig.vehicleClass),
    from: { profile, stops, range },
    itemIds: said,
    onto: { profile: target, stops: factoryStops(target), range },
  });
  return {
    clear: rows.every(({ to }) => to !== null),
    output: {
      rig: context.rigAssumed ? 'assumed defaults' : rig.name,
      values: context.stopsFrom,
      from: profile.name,
      onto: target.name,
      rows: rows.map(inWords),
      stays: untouched.map(({ number, label }) => `${number} ${label}`),
    },
  };
}

const inWords = ({ from, to, outcome, sentence, friends }: TranslatedRow) => ({
  item: from.item.number,
  label: from.item.label,
  setting: nameOf(from.item),
  value: from.stop.label,
  outcome: OUTCOMES[outcome],
  to: to && { item: to.item.number, label: to.item.label, stop: to.stop.number, value: to.stop.label },
  why: sentence,
  friends: friends.map(({ title }) => title),
});
