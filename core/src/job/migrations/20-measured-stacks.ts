import { isRecord, mapRecords, type Saved } from './saved.js';

/** Version 21 knows what was measured of the stacks of its designs. */
export function toMeasuredStacks(saved: Saved): Saved {
  return {
    ...saved,
    version: 21,
    designs: mapRecords(saved['designs'], (design) => {
      const { equipment } = design;
      if (!isRecord(equipment)) return design;
      const stacks = mapRecords(equipment['stacks'], (stack) => ({ ...stack, measured: null }));
      return { ...design, equipment: { ...equipment, stacks } };
    }),
  };
}
