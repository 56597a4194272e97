import { isRecord, mapRecords, type Saved } from './saved.js';

/**
 * Version 9 says how a generator is connected, and to which legs: until then it fed the house beside the inverter, all legs
 * alike.
 */
export const toGeneratorConnection = (saved: Saved): Saved => ({
  ...saved,
  version: 9,
  designs: mapRecords(saved['designs'], (design) => {
    const { sources } = design;
    if (!isRecord(sources) || !isRecord(sources['generator'])) return design;
    return {
      ...design,
      sources: { ...sources, generator: { ...sources['generator'], connection: 'beside', legs: null } },
    };
  }),
});
