import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, vi } from 'vitest';

/** In each test of the file, time passes only where {@link pass} says so. */
export const stopTimeInEach = (): void => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());
};

/** Lets time pass, and what follows from signals and promises happen. */
export const pass = async (ms: number): Promise<void> => {
  TestBed.tick();
  await vi.advanceTimersByTimeAsync(ms);
  TestBed.tick();
  await vi.advanceTimersByTimeAsync(0);
};
