import { isAboutStep } from '../commissioning/commissioning.schema.js';
import type { Load } from '../loads/load.schema.js';
import type { Survey } from '../panels/panel.schema.js';
import type { Lot } from '../lot/lot.schema.js';
import type { Photo } from './photo.schema.js';

interface Photographed {
  readonly survey: Survey;
  readonly loads: readonly Load[];
  readonly lot: Lot;
  photos: Photo[];
}

/** Photos of what is gone become photos of the house: nobody means to throw a picture away with a breaker. */
export function settlePhotos<H extends Photographed>(house: H): H {
  if (house.photos.every(({ aboutId }) => aboutId === null)) return house;
  const { services, panels } = house.survey;
  const there = new Set(
    [
      ...services,
      ...panels,
      ...panels.flatMap(({ circuits }) => circuits),
      ...house.loads,
      ...house.lot.walls,
    ].map(({ id }) => id),
  );
  // A step comes and goes with the design; what was seen at it stays.
  const isLost = ({ aboutId }: Photo): boolean =>
    aboutId !== null && !isAboutStep(aboutId) && !there.has(aboutId);
  if (!house.photos.some(isLost)) return house;
  return {
    ...house,
    photos: house.photos.map((photo) => (isLost(photo) ? { ...photo, aboutId: null } : photo)),
  };
}
