/**
 * Which setting a printed item is, how its stops are written and which way they run. What is certain is suggested, with a
 * reason, and waits for somebody to confirm it; what is not is asked. No suggestion beats a wrong one.
 */
import { isNamed, VOCABULARY, type Setting, type SettingId } from '../settings/vocabulary';
import { scalesOf } from '../esc/scale';
import { meaningOf } from './meaning';
import { readName, type NameReading } from './printedName';
import { cellsOfStop } from './cutoffStops';
import { saysOff } from './printedNumber';
import { labelsOfScale } from './numberCell';
import { printsSize, settingQuestion, stopsQuestions } from './questions';
import { orderOf } from './sizeWords';
import { scaleOfStops } from './scaleOfStops';
import type { Sketch, SketchItem } from './sketch';
import { inKind, madeForBy, type MadeFor } from './madeFor';
import { unitOf, unitOfName, scalesFor } from './units';

/**
 * What an item may be by its name, its stops and what the ESC is made for.
 * @param stops labels as printed; none where only a name is known
 */
export function readPrinted(label: string, stops: readonly string[], madeFor: MadeFor): NameReading {
  const byName = inKind(readName(label), madeFor);
  if (byName.kind === 'unknown') return byName;
  const named = byName.kind === 'is' ? [byName.setting] : byName.settings;
  const fits = named.map((id) => fit(VOCABULARY[id], label, stops));
  if (byName.kind === 'is') return fits[0] === 'contradicts' ? { kind: 'ask', settings: named } : byName;
  const left = named.filter((_, place) => fits[place] === 'fits' || fits[place] === 'open');
  const [only] = left;
  if (only !== undefined && left.length === 1 && fits[named.indexOf(only)] === 'fits') {
    // A name that leaves one thing in doubt is sure only by words that are the choices of that one.
    if (named.length > 1 || isNamed(VOCABULARY[only])) return { kind: 'is', setting: only };
  }
  return { kind: 'ask', settings: left.length > 0 ? left : named };
}

/** How well stops go with a setting: by units and choices of its own or of another, by sizes or none. */
function fit(
  setting: Setting,
  label: string,
  stops: readonly string[],
): 'fits' | 'contradicts' | 'unlikely' | 'open' {
  if (stops.length === 0) return 'open';
  const understood = stops.filter((stop) => meaningOf(setting, 'named', stop) !== undefined).length;
  const units = stops.flatMap((stop) => unitOf(stop) ?? []);
  // A share of no one knows what: makers print how hard it hits and how far it holds back alike.
  if (setting.id === 'launchStrength' && units.length > 0 && units.every((unit) => unit === '%'))
    return 'open';
  if (isNamed(setting)) {
    if (understood === stops.length) return 'fits';
    return understood === 0 || units.length > 0 ? 'contradicts' : 'open';
  }
  if (setting.id === 'cutoff' && stops.some((stop) => cellsOfStop(stop) !== undefined)) return 'open';
  if (units.some((unit) => scalesFor(setting, unit).length === 0)) return 'contradicts';
  const ofName = unitOfName(label);
  const hasNumbers = stops.some((stop) => /\d/.test(stop));
  if (units.length === 0 && hasNumbers && ofName && scalesFor(setting, ofName).length === 0)
    return 'contradicts';
  if (hasNumbers) return 'fits';
  const sized = stops.filter((stop) => !saysOff(stop) && !printsSize(setting, stop));
  return sized.length > 1 && orderOf(sized).by !== 'unknown' ? 'open' : 'unlikely';
}

/** The item with what its name and its stops say: a suggestion to confirm, or what has to be asked. */
export function suggested(item: SketchItem, madeFor: MadeFor): SketchItem {
  const labels = item.stops.map(({ label }) => label);
  const reading = readPrinted(item.label, labels, madeFor);
  const bare: SketchItem = { ...item, setting: '', suggestion: '', asked: [] };
  if (reading.kind === 'unknown') return bare;
  if (reading.kind === 'ask') return { ...bare, asked: [settingQuestion(item, reading.settings)] };
  const chosen = withSetting(bare, reading.setting);
  return { ...chosen, suggestion: reasonFor(item, chosen, reading.setting) };
}

function reasonFor({ label }: SketchItem, chosen: SketchItem, setting: SettingId): string {
  const facts = VOCABULARY[setting];
  const is = `“${label}” is a usual name for ${facts.name.toLowerCase()}`;
  if (isNamed(facts) || chosen.asked.some(({ about }) => about === 'scale')) return `${is}.`;
  const { why } = scaleOfStops(facts, label, labelsOfScale(chosen));
  return `${is}; ${why}.`;
}

/** The item as somebody says that it is: its scale, its direction, and what that leaves to be asked. */
export function withSetting(item: SketchItem, setting: SettingId): SketchItem {
  const facts = VOCABULARY[setting];
  const { scale } = scaleOfStops(facts, item.label, labelsOfScale(item));
  const known: SketchItem = {
    ...item,
    setting,
    suggestion: '',
    scale: scalesOf(facts).includes(scale) ? scale : scalesOf(facts)[0]!,
    sense: 'direct',
    asked: [],
  };
  return stopsQuestions(known);
}

/** What a sketch becomes when somebody says what the ESC is made for: items that nobody has settled are read again. */
export function madeForChosen(sketch: Sketch, chosen: MadeFor): Pick<Sketch, 'madeFor' | 'items'> {
  const madeFor = chosen === '' ? madeForBy(sketch.items.map(({ label }) => label)) : chosen;
  const isOpen = ({ setting, suggestion }: SketchItem): boolean => setting === '' || suggestion !== '';
  return {
    madeFor: chosen,
    items: sketch.items.map((item) => (isOpen(item) ? suggested(item, madeFor) : item)),
  };
}
