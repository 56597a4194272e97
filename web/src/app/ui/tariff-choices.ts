import type { Tariff } from '@levamen/core/tariff';
import type { Choice } from './choice-field';

/** The tariffs of a job to choose from for a meter. */
export const tariffChoices = (tariffs: readonly Tariff[]): Choice<string | null>[] => [
  { value: null, label: 'not said' },
  ...tariffs.map(({ id, name }) => ({ value: id, label: name })),
];
