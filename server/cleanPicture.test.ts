import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { cleanPicture } from './cleanPicture';

const photo = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#7a8a55' } })
    .withExif({ IFD0: { Make: 'Some camera' }, IFD3: { GPSLatitude: '54/1 10/1 0/1' } })
    .jpeg();

describe('a picture of a rig', () => {
  it('is stored without what its camera wrote into it, and no larger than a screen needs', async () => {
    const original = await photo(2400, 1200).toBuffer();
    expect((await sharp(original).metadata()).exif).toBeDefined();
    const cleaned = await cleanPicture(original);
    if (!cleaned.ok) throw new Error(cleaned.problems[0]!.sentence);
    const { format, width, height, exif } = await sharp(cleaned.value).metadata();
    expect({ format, width, height, exif }).toEqual({
      format: 'webp',
      width: 900,
      height: 450,
      exif: undefined,
    });
  });

  it('that lies on its side is turned upright', async () => {
    const lying = await photo(400, 200).withMetadata({ orientation: 6 }).toBuffer();
    const cleaned = await cleanPicture(lying);
    expect(cleaned.ok && (await sharp(cleaned.value).metadata()).height).toBe(400);
  });

  it.each([
    ['text', Buffer.from('<svg onload="alert(1)"/>')],
    ['half a file', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3])],
    ['nothing', Buffer.alloc(0)],
    [
      'a drawing with a script',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"></svg>'),
    ],
  ])('%s is refused in words', async (_what, bytes) => {
    const cleaned = await cleanPicture(bytes);
    expect(cleaned.ok ? '' : cleaned.problems[0]!.sentence).toMatch(/JPEG, PNG (or|and) WebP/);
  });
});
