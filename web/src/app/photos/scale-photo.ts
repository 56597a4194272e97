import { maxPhotoBytes, photoSidePx } from '@levamen/core/house';
import { digestOf } from '../data/digest-of';

/** A photo as it is kept. */
export interface ScaledPhoto {
  readonly bytes: Blob;
  /** SHA-256 of the bytes, hexadecimal. */
  readonly digest: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Tried one after the other until the photo is small enough. */
const qualities = [0.82, 0.7, 0.5];

/**
 * A picture scaled down and drawn anew as a JPEG, the right way up: nothing but the picture is left, neither where it was taken nor
 * by what.
 *
 * @throws Error in words where the browser cannot read the file as a picture
 */
export async function scalePhoto(file: Blob): Promise<ScaledPhoto> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('This cannot be read as a picture here. Choose a JPEG, PNG or WebP.');
  });
  const scale = Math.min(1, photoSidePx / Math.max(picture.width, picture.height));
  const widthPx = Math.max(1, Math.round(picture.width * scale));
  const heightPx = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const ink = canvas.getContext('2d')!;
  // What is transparent would become black.
  ink.fillStyle = '#fff';
  ink.fillRect(0, 0, widthPx, heightPx);
  ink.drawImage(picture, 0, 0, widthPx, heightPx);
  picture.close();
  for (const quality of qualities) {
    const bytes = await canvas.convertToBlob({ type: 'image/jpeg', quality });
    if (bytes.size <= maxPhotoBytes)
      return { bytes, digest: await digestOf(await bytes.arrayBuffer()), widthPx, heightPx };
  }
  throw new Error('This picture stays too large. Choose one with less in it, or cut it to what matters.');
}
