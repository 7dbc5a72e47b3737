import { describe, expect, it } from 'vitest';
import { VOCABULARY, type SettingId } from './vocabulary';

/** What means one thing on an aeroplane's ESC and another on a car's: the suggestion goes by the ESC. */
const BY_VEHICLE = ['brake'];

describe('other names of settings', () => {
  it('lead to one setting only', () => {
    const owners = new Map<string, Set<SettingId>>();
    for (const { id, name, alsoCalled } of Object.values(VOCABULARY))
      for (const called of [name, ...alsoCalled]) {
        const key = called.toLowerCase();
        owners.set(key, (owners.get(key) ?? new Set()).add(id));
      }
    const shared = [...owners].filter(([, ids]) => ids.size > 1).map(([called]) => called);
    expect(shared).toEqual(BY_VEHICLE);
  });
});
