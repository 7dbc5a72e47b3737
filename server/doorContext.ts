import { createContext } from 'react-router';
import type { Door } from './access/guard';

/** What a page's action has to know of the line on which it is asked. */
export interface AtDoor {
  door: Door;
  /** Of whoever asks: 192.168.1.7 */
  address: string;
  /** Gives the browser what it shows from now on. */
  giveToken: (token: string) => void;
  takeTokenAway: () => void;
}

export const doorContext = createContext<AtDoor>();
