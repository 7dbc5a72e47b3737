import { withBanks } from '../workshop/banks';
import type { Medium } from '../esc/media';
import { UNTIED, type EscProfile, type ProfileItem, type Stop } from '../esc/profile';

const stops = (id: string, labels: readonly string[], value: (place: number) => Stop['value']): Stop[] =>
  labels.map((label, place) => ({
    id: `${id}-${place + 1}`,
    number: place + 1,
    label,
    value: value(place),
    basis: 'stated',
    typed: null,
  }));

const item = (
  id: string,
  number: number,
  setting: ProfileItem['setting'],
  of: Stop[],
  ties: Partial<ProfileItem> = {},
): ProfileItem => ({
  id,
  number,
  label: id,
  setting,
  scale: 'named',
  sense: 'direct',
  factoryStopId: of[0]!.id,
  stops: of,
  ...UNTIED,
  ...ties,
});

const number = (value: number): Stop['value'] => ({ kind: 'number', value });

/**
 * An invented ESC with menus that change: “ground” decides whether “spin” or “wash” is the third item, “sheet” chooses one of
 * three banks, each with a bite and a floor of its own, the third fixed by its maker; “again” puts bite and ground back.
 * @param like with what it is set, and all that does not matter here
 */
export function menusProfile(like: EscProfile, media: readonly Medium[] = like.media): EscProfile {
  const label = { kind: 'label' } as const;
  const typed: ProfileItem[] = [
    item(
      'sheet',
      1,
      'other',
      stops('sheet', ['A', 'B', 'C'], () => label),
    ),
    item(
      'ground',
      2,
      'other',
      stops('ground', ['dust', 'rock'], () => label),
    ),
    item(
      'bite',
      3,
      'brakeStrength',
      stops('bite', ['40 %', '60 %', '80 %'], (n) => number(40 + 20 * n)),
    ),
    item(
      'floor',
      4,
      'cutoff',
      stops('floor', ['3.1', '3.3'], (n) => number(n === 0 ? 3.1 : 3.3)),
      { scale: 'voltsPerCell' },
    ),
  ];
  const items = withBanks(typed, 'sheet', new Set(['bite', 'floor']));
  const spin = item(
    'spin',
    5,
    'boost',
    stops('spin', ['5', '10'], (n) => number(5 + 5 * n)),
    {
      scale: 'degrees',
      existsWhile: [{ itemId: 'ground', stopIds: ['ground-1'] }],
    },
  );
  const wash = item(
    'wash',
    5,
    'turbo',
    stops('wash', ['5', '10'], (n) => number(5 + 5 * n)),
    {
      scale: 'degrees',
      existsWhile: [{ itemId: 'ground', stopIds: ['ground-2'] }],
    },
  );
  const again = item(
    'again',
    6,
    'other',
    stops('again', ['leave', 'do it'], () => label),
    {
      commandStopIds: ['again-2'],
      overwrites: [{ stopId: 'again-2', sets: { 'bite-bank-1': 'bite-1', ground: 'ground-1' } }],
    },
  );
  return {
    ...like,
    id: 'menus',
    media: [...media],
    items: [...items, spin, wash, again],
    banks: { itemId: 'sheet', fixedStopIds: ['sheet-3'] },
  };
}
