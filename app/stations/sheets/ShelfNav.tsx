import { PlacesNav } from '../bench/PlacesNav';

const PLACES = [
  ['sheets', 'Sheets'],
  ['set-ups', 'Set-ups'],
  ['compare', 'Compare'],
  ['history', 'History'],
] as const;

/** What is kept of a rig, and the ways to look at it. */
export const ShelfNav = () => <PlacesNav label="Kept" places={PLACES} />;
