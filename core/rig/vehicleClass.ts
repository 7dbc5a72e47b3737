/** The classes of models: how each moves, and the words for it. */

interface ClassFacts {
  name: string;
  kind: 'wheels' | 'propeller';
  fluid: 'ground' | 'air' | 'water';
  /** What it is for, in a few words. */
  note: string;
}

const facts = (fluid: ClassFacts['fluid'], name: string, note: string): ClassFacts => ({
  name,
  kind: fluid === 'ground' ? 'wheels' : 'propeller',
  fluid,
  note,
});

export const CLASSES = {
  crawler: facts('ground', 'Rock crawler', 'Slow, over rocks and roots'),
  trailTruck: facts('ground', 'Trail truck', 'Scale looks, long trails'),
  tenthBuggy: facts('ground', 'Tenth-scale buggy', 'Quick, on dirt, sand or carpet'),
  eighthBuggy: facts('ground', 'Eighth-scale buggy', 'Heavy and fast, on dirt'),
  specCircuit: facts('ground', 'Spec circuit car', 'No timing allowed: gearing and driving decide'),
  modifiedCircuit: facts('ground', 'Modified circuit car', 'Boost, turbo, and temperatures to watch'),
  sprint: facts('ground', 'Straight-line sprinter', 'One run, as fast as it goes'),
  basher: facts('ground', 'Basher', 'Big, for anything'),
  showTruck: facts('ground', 'Hopping show truck', 'A dozen servos, a crowd'),
  sportPlane: facts('air', 'Sport aeroplane', 'A propeller, a wing, and fields to land in'),
  aerobaticPlane: facts('air', 'Aerobatic aeroplane', 'Throttle at once, up and down'),
  glider: facts('air', 'Glider with folding propeller', 'Climb, stop, fold, glide'),
  twinPlane: facts('air', 'Twin-motor aeroplane', 'Two of everything, set alike'),
  helicopter: facts('air', 'Helicopter', 'A governor holds the rotor'),
  multirotor: facts('air', 'Multirotor', 'A flight controller drives four motors'),
  fastBoat: facts('water', 'Fast boat', 'Wide open across the lake'),
  workingBoat: facts('water', 'Working boat', 'Tugs and trawlers, both ways'),
} as const satisfies Record<string, ClassFacts>;

export type VehicleClass = keyof typeof CLASSES;

/** The words for each class. */
export const VEHICLE_CLASSES = Object.fromEntries(
  Object.entries(CLASSES).map(([id, { name }]) => [id, name]),
) as Readonly<Record<VehicleClass, string>>;

/** How a class moves. */
export const kindOf = (vehicleClass: VehicleClass): 'wheels' | 'propeller' => CLASSES[vehicleClass].kind;

/** What a propeller of this class turns in. */
export const fluidOf = (vehicleClass: VehicleClass): 'air' | 'water' =>
  CLASSES[vehicleClass].fluid === 'water' ? 'water' : 'air';
