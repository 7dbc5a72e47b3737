import type { ReactNode } from 'react';
import { useYou } from './useYou';

/** What changes something that only the owner changes: others are not offered it. The server refuses them in any case. */
export const OwnersOnly = ({ children }: { children: ReactNode }) => useYou().isOwner && children;
