import type { FedBusbar } from '../busbar/busbar-705-12.js';

/** A busbar with its main, a source's breaker at the far end, and nothing on it unless said. */
export const fedBusbar = (busA: number, mainA: number, more: Partial<FedBusbar> = {}): FedBusbar => ({
  busA,
  mainA,
  sourcesA: [],
  sourceBreakersA: [],
  loadBreakersA: [],
  atFarEnd: true,
  centreFed: false,
  feedThrough: null,
  engineer: '',
  heldToA: null,
  ...more,
});
