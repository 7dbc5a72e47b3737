/** What the vocabulary knows about one setting. */

/**
 * A value in the vocabulary. Numbers are in the setting's own unit; a cutoff may also be stated for the whole
 * pack, which only means something together with a cell count. A label means only what is printed.
 */
export type SettingValue =
  | { kind: 'off' }
  | { kind: 'number'; value: number }
  | { kind: 'packVolts'; value: number }
  | { kind: 'choice'; choice: string }
  /** Straight lines through points of input and output, % each, from (0, 0) to (100, 100). */
  | { kind: 'curve'; points: readonly (readonly [input: number, output: number])[] }
  | { kind: 'label' };

export interface SettingFacts {
  name: string;
  /** Unit of `number` values, as shown; '' for choices. */
  unit: string;
  decimals: number;
  /** Least and most that any ESC offers, in that unit: wide, to catch a wrong unit. */
  bounds: readonly [least: number, most: number];
  /** What a lower and a higher vocabulary value does, in the driver's words. */
  lower: string;
  higher: string;
  /** The side to which a wanted value is snapped when it falls between two stops. */
  safeSide: 'lower' | 'higher' | 'nearest';
  /** What it is, in one sentence. */
  summary: string;
  /** What else manuals call it, in lower case. */
  alsoCalled: readonly string[];
  /** The choices of a named setting, with their words. */
  choices?: Readonly<Record<string, string>>;
  /** Words that stand among the numbers of a numbered setting. */
  specials?: Readonly<Record<string, string>>;
}

type Scale = Pick<SettingFacts, 'unit' | 'decimals' | 'bounds' | 'lower' | 'higher' | 'safeSide'>;
type Rest = Partial<Pick<SettingFacts, 'alsoCalled' | 'specials'>>;

const PERCENT = { unit: '%', decimals: 1, bounds: [0, 100] } as const;

/** A setting in per cent. */
export const percent = (
  name: string,
  senses: Pick<Scale, 'lower' | 'higher' | 'safeSide'>,
  summary: string,
  rest: Rest = {},
): SettingFacts => numbered(name, { ...PERCENT, ...senses }, summary, rest);

/** A setting on a scale of numbers. */
export const numbered = (name: string, scale: Scale, summary: string, rest: Rest = {}): SettingFacts => ({
  name,
  ...scale,
  summary,
  alsoCalled: [],
  ...rest,
});

/** A setting with a list of named choices. */
export const named = (
  name: string,
  choices: Readonly<Record<string, string>>,
  summary: string,
  rest: Rest = {},
): SettingFacts => ({
  name,
  unit: '',
  decimals: 0,
  bounds: [0, 0],
  lower: '',
  higher: '',
  safeSide: 'nearest',
  summary,
  alsoCalled: [],
  choices,
  ...rest,
});
