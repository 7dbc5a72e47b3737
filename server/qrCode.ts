/** QR codes as a drawing. */
import QRCode from 'qrcode';

export interface QrPicture {
  /** Squares to a side. */
  size: number;
  /** The dark squares as an SVG path, a unit a square. */
  path: string;
}

/** @returns null where the text is too long for one */
export function qrPicture(text: string): QrPicture | null {
  let modules: { size: number; get: (row: number, column: number) => number };
  try {
    ({ modules } = QRCode.create(text, { errorCorrectionLevel: 'M' }));
  } catch {
    return null;
  }
  const { size } = modules;
  const dark: string[] = [];
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column < size; column += 1)
      if (modules.get(row, column)) dark.push(`M${column} ${row}h1v1h-1z`);
  return { size, path: dark.join('') };
}
