import { iticRideThroughS } from '../../electric/index.js';
import type { Load, LoadKind } from '../../house/index.js';

interface RideThrough {
  /** Full dropout it does not notice, ms. */
  readonly rideThroughMs: number;
  readonly what: string;
  readonly published: boolean;
}

const itic: RideThrough = {
  rideThroughMs: iticRideThroughS(0) * 1000,
  what: 'may restart unless it has a battery of its own',
  published: true,
};
const practice = (rideThroughMs: number, what: string): RideThrough => ({
  rideThroughMs,
  what,
  published: false,
});

/** What a full dropout does to kinds of loads. Common practice, no source, but for the ITIC curve of IT equipment. */
const facts: Partial<Readonly<Record<LoadKind, RideThrough>>> = {
  electronics: itic,
  network: practice(20, 'restarts, some minutes without internet and telephone'),
  medical: practice(20, 'may stop or alarm; it needs a battery of its own'),
  'heating-appliance': practice(100, 'its control restarts and runs through its purge again'),
  'heat-pump': practice(15, 'its contactor drops out; it waits some minutes before it restarts'),
  cooling: practice(15, 'its contactor drops out; it waits some minutes before it restarts'),
  pump: practice(50, 'stops and starts again with its full surge'),
  pool: practice(15, 'its contactor drops out; timers may need setting'),
  range: practice(50, 'its clock needs setting'),
  'small-appliance': practice(50, 'its clock needs setting'),
  vehicle: practice(15, 'its contactor drops out; charging begins anew'),
};

/** A load that notices the gap. */
export interface GapEffect {
  readonly loadId: string;
  readonly name: string;
  readonly rideThroughMs: number;
  /** What it does then. */
  readonly what: string;
  /** From the ITIC curve (recalled) rather than common practice. */
  readonly published: boolean;
}

/** Which loads of a set notice a transfer gap, most sensitive first. Those of an unlisted kind blink at most. */
export function gapEffects(loads: readonly Load[], gapMs: number): GapEffect[] {
  return loads
    .flatMap(({ id, name, kind }): GapEffect[] => {
      const fact = facts[kind];
      return fact && gapMs > fact.rideThroughMs ? [{ loadId: id, name, ...fact }] : [];
    })
    .toSorted((a, b) => a.rideThroughMs - b.rideThroughMs);
}
