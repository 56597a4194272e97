import { isRecord, mapRecords, type Saved } from './saved.js';

/**
 * Version 11 has photos, circuits that are switched off by hand while the generator runs, what a monitor measures on how many
 * channels, and arrays that come down on several circuits.
 */
export const toPhotos = (saved: Saved): Saved => ({
  ...saved,
  version: 11,
  photos: [],
  survey: isRecord(saved['survey'])
    ? { ...saved['survey'], monitorChannels: null, monitorScope: 'all' }
    : saved['survey'],
  designs: mapRecords(saved['designs'], (design) => {
    const { sources } = design;
    if (!isRecord(sources)) return design;
    const { generator } = sources;
    return {
      ...design,
      sources: {
        ...sources,
        arrays: mapRecords(sources['arrays'], (array) => ({ ...array, moreCircuits: [] })),
        generator: isRecord(generator) ? { ...generator, offWhileItRuns: [] } : generator,
      },
    };
  }),
});
