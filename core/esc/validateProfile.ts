import type { Problem } from '../units/problem';
import { VOCABULARY, type Setting } from '../settings/vocabulary';
import type { StickTonesMedium } from './media';
import type { EscProfile, ProfileItem, Stop } from './profile';

/** Below this a per-cell reading of a cutoff is a pack total typed into the wrong field, or the reverse. */
const LIKELY_VOLTS_PER_CELL = { least: 2, most: 4.5 };

/**
 * What is wrong with a profile beyond its shape: every problem, each with its place and what would be right.
 * An empty list means that the profile can drive rails, plans and a simulated ESC.
 */
export function validateProfile(profile: EscProfile): Problem[] {
  return [
    ...limitProblems(profile),
    ...mediaProblems(profile),
    ...repeats(profile.items, 'items', 'number', (item) => `item number ${item.number}`),
    ...repeats(profile.items, 'items', 'id', (item) => `item id '${item.id}'`),
    ...repeats(profile.items, 'items', 'setting', (item) => `the setting ${VOCABULARY[item.setting].name}`),
    ...numberingGaps(profile.items, 'items', 'item'),
    ...profile.items.flatMap((item, index) => itemProblems(item, `items.${index}`)),
  ];
}

function limitProblems({ limits, factoryRange, calibration }: EscProfile): Problem[] {
  const problems: Problem[] = [];
  if (limits.minCells > limits.maxCells) {
    problems.push({
      path: 'limits.minCells',
      sentence: `The fewest cells (${limits.minCells}) are more than the most (${limits.maxCells}): exchange the two.`,
    });
  }
  if (limits.burstAmps < limits.continuousAmps) {
    problems.push({
      path: 'limits.burstAmps',
      sentence: `The burst current (${limits.burstAmps} A) is below the continuous one (${limits.continuousAmps} A): exchange the two, or give both the same.`,
    });
  }
  const { brakeMicros, neutralMicros, forwardMicros } = factoryRange;
  // Two points know no brake side: there, brake and neutral are one pulse.
  const oneWay = calibration.family === 'stickAtPowerOn' && brakeMicros === neutralMicros;
  if (!((oneWay || brakeMicros < neutralMicros) && neutralMicros < forwardMicros)) {
    problems.push({
      path: 'factoryRange',
      sentence: `The factory range runs ${brakeMicros}, ${neutralMicros}, ${forwardMicros} µs; brake must lie below neutral and neutral below forward.`,
    });
  }
  return problems;
}

function mediaProblems(profile: EscProfile): Problem[] {
  const { media, calibration } = profile;
  const problems = repeats(media, 'media', 'family', (medium) => `the medium '${medium.family}'`);
  if (calibration.family === 'stickAtPowerOn' && calibration.lowToMicros >= calibration.highFromMicros) {
    problems.push({
      path: 'calibration.highFromMicros',
      sentence: `Full up begins at ${calibration.highFromMicros} µs and right down ends at ${calibration.lowToMicros} µs: full up must lie above.`,
    });
  }
  media.forEach((medium, index) => {
    if (medium.family !== 'stickTones') return;
    const path = `media.${index}`;
    problems.push(...toneProblems(profile, medium, path));
    if (calibration.family !== 'stickAtPowerOn') {
      problems.push({
        path,
        sentence:
          'A tone menu lies behind the calibration window of a stick that stays up: it needs the calibration family stickAtPowerOn.',
      });
    }
  });
  return problems;
}

/** Every item and stop needs a group of notes of its own, or the ear cannot tell them apart. */
function toneProblems({ items }: EscProfile, medium: StickTonesMedium, path: string): Problem[] {
  const longest = Math.max(...items.map((item) => item.stops.length));
  return [
    ...enough(medium.itemNotes, items.length, `${path}.itemNotes`, 'items'),
    ...enough(medium.stopNotes, longest, `${path}.stopNotes`, 'stops'),
    ...sameNotes([...medium.itemNotes, medium.exitNotes], `${path}.itemNotes`),
    ...sameNotes(medium.stopNotes, `${path}.stopNotes`),
  ];
}

function enough(notes: string[], needed: number, path: string, what: string): Problem[] {
  if (notes.length >= needed) return [];
  return [
    { path, sentence: `There are ${notes.length} groups of notes for ${needed} ${what}: each needs one.` },
  ];
}

function sameNotes(notes: string[], path: string): Problem[] {
  const twice = notes.find((group, index) => notes.indexOf(group) !== index);
  if (twice === undefined) return [];
  return [
    { path, sentence: `The group of notes '${twice}' is there twice: the ear could not tell the two apart.` },
  ];
}

function itemProblems(item: ProfileItem, path: string): Problem[] {
  const problems: Problem[] = [
    ...repeats(item.stops, `${path}.stops`, 'number', (stop) => `stop number ${stop.number}`),
    ...repeats(item.stops, `${path}.stops`, 'id', (stop) => `stop id '${stop.id}'`),
    ...numberingGaps(item.stops, `${path}.stops`, 'stop'),
    ...item.stops.flatMap((stop, index) => stopProblems(item, stop, `${path}.stops.${index}`)),
  ];
  if (item.stops.length < 2) {
    problems.push({
      path: `${path}.stops`,
      sentence: `Item ${item.number} “${item.label}” has ${item.stops.length} stop(s): an item needs at least two to choose between.`,
    });
  }
  if (!item.stops.some((stop) => stop.id === item.factoryStopId)) {
    problems.push({
      path: `${path}.factoryStopId`,
      sentence: `Item ${item.number} “${item.label}” names '${item.factoryStopId}' as its factory stop, but has no such stop.`,
    });
  }
  return problems;
}

function stopProblems(item: ProfileItem, stop: Stop, path: string): Problem[] {
  const setting = VOCABULARY[item.setting];
  const name = `Stop ${stop.number} “${stop.label}” of item ${item.number}`;
  const fault = valueFault(setting, stop);
  return fault ? [{ path: `${path}.value`, sentence: `${name} ${fault}` }] : [];
}

/** The rest of a sentence that begins with the stop's name, or undefined where nothing is wrong. */
function valueFault(setting: Setting, { value }: Stop): string | undefined {
  const choices = setting.choices && Object.keys(setting.choices);
  if (choices && (value.kind !== 'choice' || !choices.includes(value.choice))) {
    return `must be one of ${choices.join(', ')}.`;
  }
  if (!choices && value.kind === 'choice') return `must be a number in ${setting.unit}, or off.`;
  if (value.kind === 'packVolts' && setting.id !== 'cutoff')
    return 'is in pack volts, which only a cutoff can be.';
  if (value.kind === 'number' && value.value < 0)
    return `is ${value.value} ${setting.unit}: it cannot be negative.`;
  if (value.kind === 'number' && setting.unit === '%' && value.value > 100) {
    return `is ${value.value} %: a share cannot be above 100 %.`;
  }
  const { least, most } = LIKELY_VOLTS_PER_CELL;
  if (setting.id === 'cutoff' && value.kind === 'number' && (value.value < least || value.value > most)) {
    return `is ${value.value} V per cell, outside ${least} to ${most}: if the manual means the whole pack, enter it as pack volts.`;
  }
  return undefined;
}

function repeats<T>(list: T[], path: string, key: keyof T, words: (entry: T) => string): Problem[] {
  const seen = new Map<T[keyof T], number>();
  return list.flatMap((entry, index) => {
    const first = seen.get(entry[key]);
    if (first === undefined) {
      seen.set(entry[key], index);
      return [];
    }
    return [
      {
        path: `${path}.${index}.${String(key)}`,
        sentence: `${capital(words(entry))} is there twice (also at place ${first + 1}): each must be unique.`,
      },
    ];
  });
}

/** Keys and lamps count from one without gaps, so printed numbers must too, in the order given. */
function numberingGaps(list: { number: number }[], path: string, what: string): Problem[] {
  const index = list.findIndex((entry, place) => entry.number !== place + 1);
  if (index === -1) return [];
  return [
    {
      path: `${path}.${index}.number`,
      sentence: `The ${what} at place ${index + 1} has the number ${list[index]!.number}: numbers must run 1, 2, 3 … in the ESC's own order.`,
    },
  ];
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
