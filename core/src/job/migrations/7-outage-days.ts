import { isRecord, mapRecords, type Saved } from './saved.js';

/**
 * Version 8 says which loads are unplugged on circuits that stay on, which run longer in a storm, how long each array waits for
 * a grid, on which days outages begin, and whether snow lies: nobody has said anything yet.
 */
export const toOutageDays = (saved: Saved): Saved => ({
  ...saved,
  version: 8,
  loads: mapRecords(saved['loads'], (load) => ({ ...load, stormFactor: null })),
  outage: isRecord(saved['outage']) ? { ...saved['outage'], days: 'any', snow: null } : saved['outage'],
  designs: mapRecords(saved['designs'], (design) => {
    const { backup, sources } = design;
    return {
      ...design,
      backup: isRecord(backup) ? { ...backup, unplugged: [] } : backup,
      sources: isRecord(sources)
        ? {
            ...sources,
            arrays: mapRecords(sources['arrays'], (array) => ({ ...array, returnsAfterMin: null })),
          }
        : sources,
    };
  }),
});
