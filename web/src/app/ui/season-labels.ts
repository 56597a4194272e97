import type { Season } from '@levamen/core/nature';

export const seasonLabels: Readonly<Record<Season, string>> = {
  winter: 'Winter',
  shoulder: 'Spring, autumn',
  summer: 'Summer',
};
