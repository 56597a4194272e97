import { type ChannelRole, channelRoles } from '@levamen/core/house';
import type { Choice } from '../../ui/choice-field';

const labels: Readonly<Record<ChannelRole, string>> = {
  import: 'from the grid',
  export: 'to the grid',
  mains: 'mains',
  solar: 'solar',
  circuit: 'a circuit',
};

/** What a channel can measure. */
export const roleChoices: readonly Choice<ChannelRole>[] = channelRoles.map((value) => ({
  value,
  label: labels[value],
}));
