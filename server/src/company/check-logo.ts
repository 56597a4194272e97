import { imageSize } from 'image-size';
import { HttpProblem } from '../http/problem.js';

/** A mark is printed some 50 mm wide. */
export const logoSidePx = 1200;
export const maxLogoBytes = 400_000;

/** What a mark may be: PNG or JPEG, not too large. @throws HttpProblem 422 that says what to change */
export function checkLogo(payload: Buffer): 'image/png' | 'image/jpeg' {
  let size;
  try {
    size = imageSize(payload);
  } catch {
    throw new HttpProblem(422, 'Not a picture', 'This cannot be read as a picture. Send a PNG or a JPEG.');
  }
  if (size.type !== 'png' && size.type !== 'jpg')
    throw new HttpProblem(422, 'Not a picture to print', 'Send a PNG or a JPEG.');
  if (Math.max(size.width, size.height) > logoSidePx)
    throw new HttpProblem(422, 'Too large', `Scale it down to ${logoSidePx} pixels on its longer side.`);
  return size.type === 'png' ? 'image/png' : 'image/jpeg';
}
