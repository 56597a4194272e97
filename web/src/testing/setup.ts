/** What components expect of a browser and the simulated one lacks. */
const nothing = (): void => undefined;

class NoResizeObserver implements ResizeObserver {
  readonly observe = nothing;
  readonly unobserve = nothing;
  readonly disconnect = nothing;
}
globalThis.ResizeObserver ??= NoResizeObserver;
