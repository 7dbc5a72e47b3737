/** What printed words leave open, as one plain question each, with every reading and what it comes to. */
import { SCALES, statesSize, valueOnScale, type Scale } from '../esc/scale';
import type { SettingValue } from '../settings/setting';
import { describeValue } from '../settings/value';
import { labelsOfScale, sizeOfNumbered } from './numberCell';
import { isNamed, VOCABULARY, type Setting, type SettingId } from '../settings/vocabulary';
import { formatNumber } from '../units/format';
import { cellsOfStop, MOST_OF_A_CELL } from './cutoffStops';
import { meaningOf } from './meaning';
import { leadingNumber, saysOff } from './printedNumber';
import { scaleOfStops } from './scaleOfStops';
import { orderOf, senseOf } from './sizeWords';
import type { Answer, Question, SketchItem } from './sketch';

/** Which of several settings an item is. */
export const settingQuestion = ({ label }: SketchItem, settings: readonly SettingId[]): Question => ({
  about: 'setting',
  words: `What does “${label}” set?`,
  answers: [...settings, 'other' as const].map((setting) => ({
    words: VOCABULARY[setting].name,
    consequence: VOCABULARY[setting].summary,
    take: { setting },
  })),
});

/** The item, its setting known, with what its stops say and what they leave open. */
export function stopsQuestions(item: SketchItem): SketchItem {
  if (item.setting === '') return item;
  const setting = VOCABULARY[item.setting];
  const known = withPackVolts(item);
  const sense = statesSize(known.scale)
    ? senseOfSizes(known.stops.map(({ label }) => label))
    : senseOf(setting.id, orderOf(unsizedLabels(known, setting)));
  return {
    ...known,
    sense: sense ?? known.sense,
    asked: [
      ...scaleQuestion(known, setting),
      ...directionQuestion(known, setting),
      ...cellsQuestion(known),
      ...modeQuestion(known),
    ],
  };
}

/** Sizes that fall from stop to stop run the other way. */
function senseOfSizes(labels: readonly string[]): 'direct' | 'inverted' {
  const order = orderOf(labels.filter((label) => !saysOff(label)));
  return order.by === 'numbers' && order.runs === -1 ? 'inverted' : 'direct';
}

/** Among volts of a cell, what no cell can have is the whole pack's. */
function withPackVolts(item: SketchItem): SketchItem {
  if (item.setting !== 'cutoff' || item.scale !== 'voltsPerCell') return withPackNumber(item);
  return withPackNumber({
    ...item,
    stops: item.stops.map((stop) => {
      const volts = leadingNumber(stop.label)?.number;
      const isPack = stop.meaning === '' && volts !== undefined && volts > MOST_OF_A_CELL;
      return isPack ? { ...stop, meaning: `${volts} pack` } : stop;
    }),
  });
}

/** A number that goes higher than any cell is the whole pack's from its low end on. */
function withPackNumber(item: SketchItem): SketchItem {
  const { number, stops } = item;
  if (item.setting !== 'cutoff' || !number || sizeOfNumbered(stops[number.last]!.label) <= MOST_OF_A_CELL)
    return item;
  return {
    ...item,
    stops: stops.map((stop, place) =>
      place >= number.first && place <= number.last
        ? { ...stop, meaning: `${sizeOfNumbered(stop.label)} pack` }
        : stop,
    ),
  };
}

/** Labels of the stops whose size neither they nor anybody else has said. */
const unsizedLabels = ({ stops, scale }: SketchItem, setting: Setting): string[] =>
  isNamed(setting) || setting.id === 'other' || statesSize(scale)
    ? []
    : stops
        .filter(({ label, meaning }) => meaning === '' && !saysOff(label) && !printsSize(setting, label))
        .map(({ label }) => label);

/** Whether a stop on a scale without sizes states its own: its unit, or a word that this setting knows. */
export function printsSize(setting: Setting, label: string): boolean {
  const value = meaningOf(setting, 'level', label);
  return value !== undefined && (value.kind !== 'number' || leadingNumber(label)?.rest !== '');
}

function scaleQuestion(item: SketchItem, setting: Setting): Question[] {
  const { scale, rivals } = scaleOfStops(setting, item.label, labelsOfScale(item));
  if (rivals.length === 0) return [];
  const scales = [scale, ...rivals];
  const example = item.stops.findLast(({ label }) => !saysOff(label) && leadingNumber(label) !== undefined)!;
  return [
    {
      about: 'scale',
      words: scaleWords(item.label, example.label, scales),
      answers: [
        ...scales.map((one) => scaleAnswer(one, setting, example.label)),
        ...bareCells(item, setting),
      ],
    },
  ];
}

function scaleWords(label: string, example: string, scales: readonly Scale[]): string {
  if (scales.includes('poles')) return `Does “${label}” count poles, or pairs of poles?`;
  if (scales.some((scale) => scale.endsWith('Both')))
    return `Is “${example}” counted on each side of neutral, or over both sides together?`;
  return `What does “${example}” of “${label}” mean?`;
}

function scaleAnswer(scale: Scale, setting: Setting, example: string): Answer {
  const words = scale === 'level' ? 'bare levels' : SCALES[scale];
  if (scale === 'level')
    return {
      words,
      consequence: 'Their sizes count as assumed until you state or measure them.',
      take: { scale },
    };
  const value: SettingValue = valueOnScale(setting, scale, leadingNumber(example)!.number);
  const size =
    setting.id === 'polePairs' && value.kind === 'number'
      ? `${value.value} pairs`
      : describeValue(setting, value);
  return { words, consequence: `“${example}” is ${size}.`, take: { scale } };
}

/** Bare numbers of a cutoff may be the cells that it is for. */
function bareCells({ stops }: SketchItem, setting: Setting): Answer[] {
  const counts = stops.map(({ label }) => (/^\d{1,2}$/.test(label.trim()) ? Number(label) : undefined));
  const last = stops[counts.findLastIndex((count) => count !== undefined)];
  if (setting.id !== 'cutoff' || !last || counts.some((count) => count === 0)) return [];
  return [
    {
      words: 'Cells of the pack',
      consequence: `“${last.label}” cuts at ${formatNumber(Number(last.label) * ASSUMED_VOLTS_A_CELL, 1)} V of the whole pack; ${ASSUMED_VOLTS_A_CELL} V per cell, marked as assumed.`,
      take: { scale: 'packVolts', meanings: packMeanings(counts, ASSUMED_VOLTS_A_CELL), basis: 'assumed' },
    },
  ];
}

/** Names and levels whose direction nobody can read off them. */
function directionQuestion(item: SketchItem, setting: Setting): Question[] {
  const labels = unsizedLabels(item, setting);
  const order = orderOf(labels);
  if (labels.length < 2 || order.by === 'none' || senseOf(setting.id, order) !== undefined) return [];
  const last = labels.at(-1)!;
  const first = labels[0]!;
  return [
    {
      about: 'direction',
      words: `Which way does “${item.label}” run, from “${first}” to “${last}”?`,
      answers: (['direct', 'inverted'] as const).map((sense) => ({
        words: `“${last}” ${sense === 'direct' ? setting.higher : setting.lower}`,
        consequence: `“${first}” ${sense === 'direct' ? setting.lower : setting.higher}.`,
        take: { sense },
      })),
    },
  ];
}

/** Volts a cell that a cutoff by cells is asked about. Common practice. */
const VOLTS_A_CELL = [3.0, 3.2, 3.4];
const ASSUMED_VOLTS_A_CELL = 3.2;

const packMeanings = (cells: readonly (number | undefined)[], voltsPerCell: number): string[] =>
  cells.map((count) => (count === undefined ? '' : `${Number((count * voltsPerCell).toFixed(2))} pack`));

/** "2S 3S 4S" says for which pack it is, not at how many volts it cuts. */
function cellsQuestion(item: SketchItem): Question[] {
  if (item.setting !== 'cutoff') return [];
  const cells = item.stops.map(({ label }) => cellsOfStop(label));
  const example = item.stops[cells.findLastIndex((count) => count !== undefined)];
  if (!example) return [];
  const answer = (volts: number, words: string, basis: 'stated' | 'assumed'): Answer => ({
    words,
    consequence: `“${example.label}” cuts at ${formatNumber(cellsOfStop(example.label)! * volts, 1)} V of the whole pack, whatever pack is plugged in${basis === 'assumed' ? '; marked as assumed' : ''}.`,
    take: { meanings: packMeanings(cells, volts), basis },
  });
  return [
    {
      about: 'stops',
      words: `“${example.label}” names the pack it is for. At how many volts per cell does it cut?`,
      answers: [
        ...VOLTS_A_CELL.map((volts) => answer(volts, `${volts.toFixed(1)} V a cell`, 'stated')),
        answer(ASSUMED_VOLTS_A_CELL, 'The manual does not say', 'assumed'),
      ],
    },
  ];
}

/** "Forward/Reverse", and nothing beside it that brakes: on one ESC at once, on the next after braking. */
function modeQuestion(item: SketchItem): Question[] {
  if (item.setting !== 'runningMode') return [];
  const modes = item.stops.map(({ label, meaning }) =>
    meaning === '' ? meaningOf(VOCABULARY.runningMode, 'named', label) : undefined,
  );
  const chosen = modes.map((mode) => (mode?.kind === 'choice' ? mode.choice : undefined));
  const place = chosen.indexOf('forwardReverse');
  const open = item.stops[place];
  const isSaid = open && /at once|direct|instant|crawl|without brake|no brake/i.test(open.label);
  if (!open || isSaid || chosen.some((mode) => mode === 'forwardBrake' || mode === 'forwardBrakeReverse'))
    return [];
  const answer = (
    choice: 'forwardReverse' | 'forwardBrakeReverse',
    words: string,
    consequence: string,
  ): Answer => ({
    words,
    consequence,
    take: { meanings: item.stops.map((_, n) => (n === place ? choice : '')), basis: 'stated' },
  });
  return [
    {
      about: 'stops',
      words: `Does “${open.label}” brake before it backs up?`,
      answers: [
        answer('forwardBrakeReverse', 'It brakes first', 'A push brakes; reverse comes after.'),
        answer('forwardReverse', 'It backs up at once', 'A push is reverse power, with no brake before it.'),
      ],
    },
  ];
}
