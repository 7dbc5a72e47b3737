import { PlacesNav } from '../bench/PlacesNav';

const PLACES = [
  ['runs', 'Runs'],
  ['runs/between', 'Between heats'],
  ['runs/questions', 'Questions'],
  ['runs/compare', 'Compare runs'],
  ['runs/measure', 'Measure'],
  ['runs/learned', 'Learned'],
] as const;

/** What is done with runs. */
export const RunsNav = () => <PlacesNav label="Runs" places={PLACES} />;
