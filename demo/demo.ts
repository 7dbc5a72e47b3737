/**
 * The demo: a club on a windy island, with a buggy that drives on wet sand between banks of kelp, a crawler for
 * the cliff path, a trainer that flies from the headland and a twin that looks after the gannets.
 * Files of the open formats, read by the same reader as any import, in this order: rigs come last, so that the
 * profiles they use are there.
 */
import brackelT40 from './brackel-t40.esc-profile.json?raw';
import cliffPathCrawler from './cliff-path-crawler.rig.json?raw';
import gannetPatrolTwin from './gannet-patrol-twin.rig.json?raw';
import headlandTrainer from './headland-trainer.rig.json?raw';
import kelpBeachBuggy from './kelp-beach-buggy.rig.json?raw';
import sondryA45 from './sondry-a45.esc-profile.json?raw';
import tamselR60 from './tamsel-r60.esc-profile.json?raw';

import beachPractice from './beach-practice.set-up.json?raw';
import drySand from './dry-sand.set-up.json?raw';
import islandRace from './island-race.set-up.json?raw';
import cliffPath from './cliff-path.set-up.json?raw';
import wetWeed from './wet-weed.set-up.json?raw';
import firstSolo from './first-solo.set-up.json?raw';
import windyField from './windy-field.set-up.json?raw';
import patrol from './patrol.set-up.json?raw';
import showDay from './show-day.set-up.json?raw';

/** The ESC profiles by their id. */
export const DEMO_PROFILES = {
  'tamsel-r60': tamselR60,
  'brackel-t40': brackelT40,
  'sondry-a45': sondryA45,
} as const;

export const DEMO_FILES: readonly string[] = [
  ...Object.values(DEMO_PROFILES),
  gannetPatrolTwin,
  headlandTrainer,
  cliffPathCrawler,
  kelpBeachBuggy,
];

/** Set-ups of the demo's rigs; each names its rig in its conditions. Those that others came from stand before them. */
export const DEMO_SET_UPS: readonly string[] = [
  beachPractice,
  drySand,
  islandRace,
  cliffPath,
  wetWeed,
  firstSolo,
  windyField,
  patrol,
  showDay,
];
