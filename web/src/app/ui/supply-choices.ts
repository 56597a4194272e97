import { type SupplySystem, supplySystems, systemFacts } from '@levamen/core/electric';
import type { Choice } from './choice-field';

export const supplyChoices: readonly Choice<SupplySystem>[] = supplySystems.map((value) => ({
  value,
  label: systemFacts[value].label,
}));
