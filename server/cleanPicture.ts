import type { Result } from '#core/units/problem';
import sharp from 'sharp';

/** Phones take larger ones; nothing else is that large. */
export const LARGEST_PICTURE_BYTES = 15_000_000;

const MOST_PIXELS = 60_000_000;
const LONGEST_SIDE = 900;

/**
 * A picture as it is stored: turned upright, no larger than a screen needs, drawn again as WebP, so that neither
 * place nor camera nor anything hidden in the file stays with it.
 */
export async function cleanPicture(bytes: Uint8Array): Promise<Result<Buffer>> {
  if (bytes.byteLength > LARGEST_PICTURE_BYTES)
    return refused(`The picture has ${Math.round(bytes.byteLength / 1e6)} MB; at most 15 MB are allowed.`);
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await image.metadata();
    if (format !== 'jpeg' && format !== 'png' && format !== 'webp')
      return refused('This picture cannot be shown. Use JPEG, PNG or WebP.');
    const resized = image
      .rotate()
      .resize(LONGEST_SIDE, LONGEST_SIDE, { fit: 'inside', withoutEnlargement: true });
    return { ok: true, value: await resized.webp({ quality: 80 }).toBuffer() };
  } catch {
    return refused('The picture could not be read. Is the file complete? Use JPEG, PNG or WebP.');
  }
}

const refused = (sentence: string): Result<never> => ({
  ok: false,
  problems: [{ path: 'picture', sentence }],
});
