/**
 * The demo: a club on a windy island, with one buggy that drives on wet sand between banks of kelp.
 * Files of the open formats, read by the same reader as any import, in this order.
 */
import kelpBeachBuggy from './kelp-beach-buggy.rig.json?raw';
import tamselR60 from './tamsel-r60.esc-profile.json?raw';

export const DEMO_FILES: readonly string[] = [tamselR60, kelpBeachBuggy];
