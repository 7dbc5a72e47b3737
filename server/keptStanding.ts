import type { Stations } from '#core/advice/stationStates';
import type { RigInWords } from '#core/rig/inWords';

/** What is kept with a rig: all that a line of the list shows of it. */
export interface KeptStanding extends RigInWords {
  changes: number;
  stations: Stations;
  /** How much there is to do, for the order of the list. */
  urgency: number;
}
