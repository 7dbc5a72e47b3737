import jsQR from 'jsqr';

/** Large enough for the finest code that is written here, small enough to be read at once. */
const LONGEST_SIDE = 1600;

/** The text of a QR code in a picture, read in this browser; undefined where there is none, or it is no picture. */
export async function codeInPicture(file: Blob): Promise<string | undefined> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    return undefined;
  }
  const scale = Math.min(1, LONGEST_SIDE / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d')!;
  context.drawImage(picture, 0, 0, width, height);
  picture.close();
  const { data } = context.getImageData(0, 0, width, height);
  return jsQR(data, width, height)?.data || undefined;
}
