import type { Lane } from '@levamen/core/design';

interface LaneFacts {
  readonly title: string;
  readonly what: string;
  /** The key that moves what is selected here. */
  readonly key: string;
}

export const laneFacts: Readonly<Record<Lane, LaneFacts>> = {
  on: { title: 'Stays on', what: 'behind the source', key: 'O' },
  auto: { title: 'Shed by a device', what: 'for the outage, by charge, or for want of room', key: 'S' },
  hand: { title: 'Shed by hand', what: 'if somebody walks to the panel', key: 'H' },
  dark: { title: 'Stays dark', what: 'on the grid side', key: 'D' },
};
