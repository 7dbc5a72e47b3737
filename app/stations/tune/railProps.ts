import type { Advice } from '#core/advice/advise';
import type { ActiveTemporary } from '#core/advice/temporary';
import type { ProfileItem } from '#core/esc/profile';
import type { Holding } from '#core/sheet/evidence';

/** What a rail is given. */
export interface RailProps {
  item: ProfileItem;
  cells: number;
  /** What the ESC is believed to hold. */
  holding: Holding | undefined;
  draftStopId: string;
  /** Whether the user means to change it. An unknown value that nobody touched has no mark. */
  isDrafted: boolean;
  advice: Advice | undefined;
  onMove: (itemId: string, stopId: string) => void;
  /** Why the setting does nothing here, if so. */
  inactive: string | undefined;
  /** What it goes back to, where the value is meant for a while. */
  temporary: ActiveTemporary | undefined;
  /** Whether all that belongs to it is shown. */
  isOpen: boolean;
  onOpen: (itemId: string) => void;
}
