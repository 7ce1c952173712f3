import { Refusal } from '@hollow-bell/core/quantities';

/** Longest side of a picture on a label, pixels: 300 to the inch at 5 cm. */
const MOST_PX = 600;
const MOST_BYTES = 20 * 1024 * 1024;

/** A picture made small enough for a label, as a data address. @throws Refusal for what is no picture */
export async function asSmallPicture(file: File): Promise<string> {
  if (file.size > MOST_BYTES) throw new Refusal('That picture has more than 20 MB; take a smaller one.');
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (bitmap === null) throw new Refusal('That file is no picture that can be read; take a PNG or a JPEG.');
  const scale = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(bitmap.width * scale);
  canvas.height = Math.round(bitmap.height * scale);
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL('image/png');
}
