import { mapRecords, type Saved } from './saved.js';

/** Version 14 names the rules a house is judged by, and has what is said of the wiring in each design: nothing yet. */
export const toWiring = (saved: Saved): Saved => ({
  ...saved,
  version: 14,
  code: { packId: null, rules: [] },
  designs: mapRecords(saved['designs'], (design) => ({
    ...design,
    wiring: {
      earthing: null,
      transformerKVA: null,
      transformerImpedance: null,
      ambientC: null,
      coldestC: null,
      generatorNeutral: null,
      transferNeutral: null,
      surge: null,
      parts: [],
      interlocks: [],
      islands: [],
      strings: [],
      nudges: [],
    },
  })),
});
