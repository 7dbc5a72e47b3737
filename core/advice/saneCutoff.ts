/** Cutoffs that make sense under load: what is beyond them ruins the pack, or stops the model at once. */
import type { ProfileItem, Stop } from '../esc/profile';
import type { Pack } from '../rig/rig';
import { cutoffVoltsPerCell } from '../settings/cutoff';

/** V per cell. Lithium polymer: common practice. The others: from memory. */
export const SANE_CUTOFF: Readonly<
  Record<Pack['chemistry'], { least: number; most: number; usual: number }>
> = {
  lipo: { least: 2.9, most: 3.7, usual: 3.3 },
  lihv: { least: 2.9, most: 3.7, usual: 3.3 },
  life: { least: 2.5, most: 3.1, usual: 2.8 },
  nimh: { least: 0.8, most: 1.1, usual: 0.9 },
};

/** Whether a stop, which is not off, protects this pack and lets it drive. */
export function isSaneCutoff(
  { value }: Stop,
  { cells, chemistry }: Pick<Pack, 'cells' | 'chemistry'>,
): boolean {
  const volts = cutoffVoltsPerCell(value, cells);
  const { least, most } = SANE_CUTOFF[chemistry];
  return volts !== undefined && volts >= least && volts <= most;
}

/** The item without the stops that no such pack should have: nothing advises one of them, and no remedy leads to one. */
export const withSaneStops = (item: ProfileItem, pack: Pick<Pack, 'cells' | 'chemistry'>): ProfileItem => ({
  ...item,
  stops: item.stops.filter((stop) => stop.value.kind === 'off' || isSaneCutoff(stop, pack)),
});
