import { useSyncExternalStore } from 'react';
import { DEFAULT_PREFERENCES, readPreferences, type Preferences } from './preferences';

const STORED_AS = 'live-tune-preferences';
const listeners = new Set<() => void>();
let current: { text: string | null; preferences: Preferences } = {
  text: null,
  preferences: DEFAULT_PREFERENCES,
};

/** Read again only when the stored text has changed, so that the same object comes back as long as nothing did. */
function snapshot(): Preferences {
  const text = localStorage.getItem(STORED_AS);
  if (text !== current.text) current = { text, preferences: readPreferences(text) };
  return current.preferences;
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

/** Keeps preferences in this browser and tells every part of the page. */
export function savePreferences(preferences: Preferences): void {
  localStorage.setItem(STORED_AS, JSON.stringify(preferences));
  for (const listener of listeners) listener();
}

/** How this browser wants to be served. Defaults while the server draws. */
export const usePreferences = (): Preferences =>
  useSyncExternalStore(subscribe, snapshot, () => DEFAULT_PREFERENCES);

/** The same outside of a component. */
export const preferencesNow = snapshot;
