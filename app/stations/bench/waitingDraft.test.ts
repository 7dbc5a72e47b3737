import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_DRAFT, type Draft } from '#core/sheet/draft';
import { forgetWaiting, keepWaiting, takeWaiting } from './waitingDraft';

/** As much of a browser's storage as is used; its entries are its own keys, as in a browser. */
function storage(): Storage {
  const methods = {
    getItem(this: Record<string, string>, key: string) {
      return this[key] ?? null;
    },
    setItem(this: Record<string, string>, key: string, value: string) {
      this[key] = value;
    },
    removeItem(this: Record<string, string>, key: string) {
      Reflect.deleteProperty(this, key);
    },
  };
  return Object.create(methods) as Storage;
}

const draft = (stopId: string): Draft => ({
  ...EMPTY_DRAFT,
  stops: { bite: stopId },
  byHand: { pinionTeeth: 15 },
});

/** Another tab of the same browser: it shares what is local, and has a session of its own. */
const otherTab = (): void => void vi.stubGlobal('sessionStorage', storage());

beforeEach(() => {
  vi.stubGlobal('localStorage', storage());
  vi.stubGlobal('sessionStorage', storage());
  vi.useFakeTimers({ now: new Date('2026-05-01T10:00:00Z') });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('a draft that the server has not confirmed', () => {
  it('outlives a reload of its tab', () => {
    keepWaiting('rig', draft('bite-4'), 7);
    expect(takeWaiting('rig')).toMatchObject({ draft: draft('bite-4'), baseRevision: 7 });
    // Taken up is not sent: it waits until it is.
    expect(takeWaiting('rig')).toMatchObject({ draft: draft('bite-4') });
  });

  it('is gone once the server has it', () => {
    keepWaiting('rig', draft('bite-4'), 7);
    forgetWaiting('rig');
    expect(takeWaiting('rig')).toBeUndefined();
  });

  it('is of one rig', () => {
    keepWaiting('rig', draft('bite-4'), 7);
    expect(takeWaiting('other')).toBeUndefined();
  });

  it('is left to its tab while that lives, and taken over from one that is gone, once', () => {
    keepWaiting('rig', draft('bite-4'), 7);
    otherTab();
    vi.advanceTimersByTime(5000);
    expect(takeWaiting('rig')).toBeUndefined();
    vi.advanceTimersByTime(6000);
    expect(takeWaiting('rig')).toMatchObject({ draft: draft('bite-4'), baseRevision: 7 });
    otherTab();
    expect(takeWaiting('rig')).toBeUndefined();
  });

  it('of this tab comes before one of a tab that is gone', () => {
    keepWaiting('rig', draft('bite-1'), 3);
    otherTab();
    vi.advanceTimersByTime(20_000);
    keepWaiting('rig', draft('bite-4'), 7);
    expect(takeWaiting('rig')).toMatchObject({ draft: draft('bite-4'), baseRevision: 7 });
  });

  it('that an older Live Tune left there changes nothing on the model', () => {
    keepWaiting('rig', draft('bite-4'), 7);
    const [key] = Object.keys(localStorage);
    const older = { draft: { stops: { bite: 'bite-4' } }, baseRevision: 7, at: Date.now() };
    localStorage.setItem(key!, JSON.stringify(older));
    expect(takeWaiting('rig')!.draft).toEqual({ ...EMPTY_DRAFT, stops: { bite: 'bite-4' } });
  });

  it('that is damaged is passed over', () => {
    keepWaiting('rig', draft('bite-4'), 7);
    const [key] = Object.keys(localStorage);
    localStorage.setItem(key!, '{"draft":');
    expect(takeWaiting('rig')).toBeUndefined();
  });
});
