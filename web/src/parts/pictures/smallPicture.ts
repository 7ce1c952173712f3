import { MOST_PICTURE_BYTES } from '@hollow-bell/contract';
import { Refusal } from '@hollow-bell/core/quantities';

/** Longest side of a picture, pixels: on a label 300 to the inch at 5 cm; on an entry enough to see lees and labels by (our choice). */
const LONGEST_PX = { label: 600, entry: 1200 } as const;
const MOST_BYTES = 20 * 1024 * 1024;
/** A picture that is too large is written more coarsely, step by step. */
const QUALITIES = [0.82, 0.65, 0.45] as const;

/** Drawn anew, and so without what a camera notes of place and time. @throws Refusal for what is no picture */
async function drawnSmall(file: File, longestPx: number): Promise<HTMLCanvasElement> {
  if (file.size > MOST_BYTES) throw new Refusal('That picture has more than 20 MB; take a smaller one.');
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (bitmap === null) throw new Refusal('That file is no picture that can be read; take a PNG or a JPEG.');
  const scale = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas;
}

/** A picture made small enough for a label, as a data address. @throws Refusal for what is no picture */
export const asLabelPicture = async (file: File): Promise<string> => (await drawnSmall(file, LONGEST_PX.label)).toDataURL('image/png');

/** A picture made small enough to be kept with an entry: a JPEG in base 64. @throws Refusal for what is no picture */
export async function asEntryPicture(file: File): Promise<string> {
  const canvas = await drawnSmall(file, LONGEST_PX.entry);
  for (const quality of QUALITIES) {
    const [, base64 = ''] = canvas.toDataURL('image/jpeg', quality).split(',');
    if ((base64.length / 4) * 3 <= MOST_PICTURE_BYTES) return base64;
  }
  throw new Refusal('That picture stays too large however coarsely it is kept; cut off what need not be on it.');
}
