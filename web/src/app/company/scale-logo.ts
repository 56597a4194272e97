/** As large as a mark is kept, px on its longer side. */
const sidePx = 1000;
const mostBytes = 400_000;

/**
 * A mark scaled down and drawn anew as a PNG: what is transparent stays so, and nothing but the picture is left.
 *
 * @throws Error in words where the browser cannot read the file as a picture, or it stays too large
 */
export async function scaleLogo(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('This cannot be read as a picture here. Choose a PNG, JPEG or WebP.');
  });
  for (const most of [sidePx, sidePx / 2]) {
    const scale = Math.min(1, most / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(picture.width * scale)),
      Math.max(1, Math.round(picture.height * scale)),
    );
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const bytes = await canvas.convertToBlob({ type: 'image/png' });
    if (bytes.size <= mostBytes) {
      picture.close();
      return bytes;
    }
  }
  throw new Error(
    'This picture stays too large. Choose one with fewer colours, such as a mark on a plain ground.',
  );
}
