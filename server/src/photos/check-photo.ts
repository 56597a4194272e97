import exifr from 'exifr';
import { imageSize } from 'image-size';
import { photoSidePx } from '@levamen/core/house';
import { HttpProblem } from '../http/problem.js';

const refused = (detail: string): HttpProblem => new HttpProblem(422, 'Not a photo to keep', detail);

/**
 * Makes sure that bytes are a photo as the page sends them: a JPEG, scaled down, without anything beside the picture. Where a
 * picture was taken, and by which device, is nobody's business here.
 *
 * @throws HttpProblem 422 that says what to change
 */
export async function checkPhoto(payload: Buffer): Promise<void> {
  let size;
  try {
    size = imageSize(payload);
  } catch {
    throw refused('This cannot be read as a picture. Send a JPEG.');
  }
  if (size.type !== 'jpg') throw refused(`This is a ${size.type ?? 'file of another kind'}. Send a JPEG.`);
  if (Math.max(size.width, size.height) > photoSidePx)
    throw refused(`Scale it down to ${photoSidePx} pixels on its longer side.`);
  const beside: unknown = await exifr.parse(payload, {
    tiff: true,
    exif: true,
    gps: true,
    xmp: true,
    iptc: true,
    icc: false,
    jfif: false,
    mergeOutput: true,
  });
  if (beside !== undefined) throw refused('It says where or how it was taken. Send the picture alone.');
}
