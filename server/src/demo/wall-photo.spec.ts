import { demoJobs } from '@levamen/core/job';
import { photoToWall } from '@levamen/core/house/details';
import { maxPhotoBytes } from '@levamen/core/house';
import { imageSize } from 'image-size';
import jpeg from 'jpeg-js';
import { describe, expect, it } from 'vitest';
import { checkPhoto } from '../photos/check-photo.js';
import { wallPhoto } from './wall-photo.js';

describe.each(demoJobs.map(({ job }) => [job.name, job.lot.walls[0]!] as const))(
  'the made-up photo of %s',
  (_, wall) => {
    const { bytes, widthPx, heightPx, trace } = wallPhoto(wall);
    it('is one the program would keep: a JPEG that says nothing but its picture', async () => {
      await checkPhoto(bytes);
      expect(bytes.length).toBeLessThan(maxPhotoBytes);
      expect(imageSize(bytes)).toMatchObject({ width: widthPx, height: heightPx });
    });
    it('shows what is on the wall where the traced corners put it', () => {
      const picture = jpeg.decode(bytes);
      const colourAt = (x: number, y: number): number[] => {
        const at = (Math.round(y * heightPx) * widthPx + Math.round(x * widthPx)) * 4;
        return [...picture.data.subarray(at, at + 3)];
      };
      const door = wall.openings.find(({ kind }) => kind === 'door')!;
      let inside = 0;
      let brown = 0;
      for (let x = 0.02; x < 1; x += 0.01)
        for (let y = 0.02; y < 1; y += 0.01) {
          const { leftM, bottomM } = photoToWall(trace, { x, y })!;
          const edge = 0.08;
          const isIn =
            leftM > door.leftM + edge &&
            leftM < door.leftM + door.widthM - edge &&
            bottomM > door.bottomM + edge &&
            bottomM < door.bottomM + door.heightM - edge;
          if (!isIn) continue;
          inside += 1;
          const [red, , blue] = colourAt(x, y) as [number, number, number];
          if (red > blue + 30) brown += 1;
        }
      expect(inside).toBeGreaterThan(100);
      expect(brown / inside).toBeGreaterThan(0.98);
    });
  },
);
