import { afterEach, describe, expect, it, vi } from 'vitest';
import { EMPTY_DRAFT } from '#core/sheet/draft';
import { postDraft } from './postDraft';

afterEach(() => vi.unstubAllGlobals());
const answeredBy = (body: unknown, status = 200) => {
  vi.stubGlobal('fetch', () => Promise.resolve(Response.json(body, { status })));
  return postDraft('rig', 3, EMPTY_DRAFT);
};

describe('a draft that is sent', () => {
  it('is saved, or another one was first', async () => {
    expect(await answeredBy({ saved: true, revision: 4 })).toEqual({ kind: 'saved', revision: 4 });
    expect(await answeredBy({ saved: false, revision: 7, draft: EMPTY_DRAFT })).toEqual({
      kind: 'conflict',
      revision: 7,
      draft: EMPTY_DRAFT,
    });
  });

  it.each([
    [400, 'refused'],
    [404, 'refused'],
    [413, 'refused'],
    [500, 'away'],
    [503, 'away'],
  ])('answered by %d is %s', async (status, kind) => {
    expect(await answeredBy({}, status)).toEqual({ kind });
  });

  it('waits for room where the server has none', async () => {
    expect(await answeredBy({}, 507)).toEqual({ kind: 'full' });
  });

  it('is away where nobody answers', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    expect(await postDraft('rig', 3, EMPTY_DRAFT)).toEqual({ kind: 'away' });
  });
});
