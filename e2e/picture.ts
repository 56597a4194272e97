import { expect, type Page } from '@playwright/test';

/** A picture of 3000 × 2000 pixels as a camera's file, made in the page. */
export async function picture(
  page: Page,
  text: string,
): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const address = await page.evaluate((words) => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 3000, height: 2000 });
    const ink = canvas.getContext('2d')!;
    ink.fillStyle = '#8a9a86';
    ink.fillRect(0, 0, 3000, 2000);
    ink.fillStyle = '#20313a';
    ink.font = '300px sans-serif';
    ink.fillText(words, 200, 1100);
    return canvas.toDataURL('image/png');
  }, text);
  return {
    name: `${text}.png`,
    mimeType: 'image/png',
    buffer: Buffer.from(address.split(',')[1]!, 'base64'),
  };
}
/** Adds a photo of something by its name. */
export const addPhoto = async (page: Page, of: string, text: string): Promise<void> =>
  page.getByLabel(`Add photos of ${of}`).setInputFiles(await picture(page, text));
/** Width and height of a small picture, once it is there: what is kept on the device gives way to what the server has. */
export async function loadedPhoto(page: Page, thumb: string): Promise<[number, number]> {
  const picture = page.getByRole('button', { name: `Look at ${thumb}` }).locator('img');
  let size: [number, number] = [0, 0];
  await expect(async () => {
    size = await picture.evaluate(async (image: HTMLImageElement): Promise<[number, number]> => {
      await image.decode();
      return [image.naturalWidth, image.naturalHeight];
    });
  }).toPass({ timeout: 20_000 });
  return size;
}
