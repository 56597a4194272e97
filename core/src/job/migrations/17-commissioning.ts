import type { Saved } from './saved.js';

/** Version 18 knows what was found when a design was put into service. */
export const toCommissioning = (saved: Saved): Saved => ({
  ...saved,
  version: 18,
  commissioning: { entries: [], instruments: [], added: [], punch: [], signatures: [] },
});
