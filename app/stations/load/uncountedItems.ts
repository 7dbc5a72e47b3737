import type { EscProfile } from '#core/esc/profile';
import type { Holdings } from '#core/sheet/evidence';

/** Items that were heard being stored in an earlier load, and never counted back. */
export const uncountedItems = (profile: EscProfile, holdings: Holdings): string[] =>
  profile.items.filter((item) => holdings[item.id]?.basis === 'seenStored').map(({ id }) => id);
