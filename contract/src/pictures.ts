import { flag, id, list, moment, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { figure } from './batches.ts';

/** Most bytes of a picture as it is kept (our choice): a thousand pixels wide it has about 150,000. */
export const MOST_PICTURE_BYTES = 400_000;
/** Most pictures on one entry (our choice). */
export const MOST_PICTURES = 12;
/** Base 64 writes three bytes in four letters. */
const base64 = text(Math.ceil(MOST_PICTURE_BYTES / 3) * 4, { whenLong: 'A picture has at most 400 kB; make it smaller first.' });

/** A picture on an entry; its bytes are at an address of its own. */
const entryPictureShape = record({ id, entryId: id, madeAt: figure });
export type EntryPicture = Fit<typeof entryPictureShape>;
export const picturesShape = record({ pictures: list(entryPictureShape, 0, 100_000) });

/** A JPEG that was made small in the browser. */
export const putPictureShape = record({ entryId: id, jpeg: base64 });
export const takeOffShape = record({ isOff: flag });

/** The same as it goes out in a file, and comes in. */
export const pictureInFileShape = record({ id, entryId: id, madeAt: moment, jpeg: base64 });
