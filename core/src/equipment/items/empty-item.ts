import type { Item } from './item.schema.js';

/** An item of which nothing is known beyond what it is called. */
export const emptyHead = {
  line: '',
  articleNumber: '',
  summary: '',
  dataSheet: '',
  dataSheetDate: null,
  note: '',
  massKg: null,
  widthMm: null,
  heightMm: null,
  depthMm: null,
  mounting: null,
  outdoors: null,
  clearanceMm: null,
  coldestC: null,
  hottestC: null,
  derateAboveC: null,
  deratePerC: null,
  warrantyYears: null,
  warrantyThroughputWh: null,
  goesWith: [],
  needs: [],
  sources: [],
  retired: false,
} satisfies Omit<Item, 'id' | 'kind' | 'name' | 'ratings'>;
