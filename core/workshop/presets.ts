/** What a new profile takes over from a pattern, and nobody has compared with the manual yet. */
import type { Problem } from '../units/problem';

/** By group, how its problem is said. */
export const PRESETS = {
  limits: 'cells, currents and heat',
  bec: 'what the BEC gives',
  calibration: 'how it learns end points, and in which order',
  media: 'how it is set: keys, times and codes',
} as const;
export type PresetId = keyof typeof PRESETS;
export const ALL_PRESETS = Object.keys(PRESETS) as PresetId[];

/** Each group that was not looked at, at its place. */
export const presetProblems = (presets: readonly PresetId[]): Problem[] =>
  presets.map((id) => ({
    path: `presets.${id}`,
    sentence: `Compare ${PRESETS[id]} with the manual: they come from the pattern.`,
  }));
