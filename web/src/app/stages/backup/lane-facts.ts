import type { Lane, ShedDevice, ShedMoment } from '@levamen/core/design';
import type { Choice } from '../../ui/choice-field';

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

export const deviceChoices: readonly Choice<ShedDevice>[] = [
  { label: 'Shed relay', value: 'relay' },
  { label: 'Smart breaker', value: 'smart-breaker' },
  { label: 'Control input of the load', value: 'control-input' },
];

export const momentChoices: readonly Choice<ShedMoment>[] = [
  { label: 'For the whole outage', value: 'outage' },
  { label: 'Below a state of charge', value: 'charge' },
  { label: 'When there is no room for it', value: 'power' },
];
