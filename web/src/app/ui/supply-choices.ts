import { supplySystems, systemFacts, type SupplySystem } from '@levamen/core';
import type { Choice } from './choice-field';

export const supplyChoices: readonly Choice<SupplySystem>[] = supplySystems.map((value) => ({
  value,
  label: systemFacts[value].label,
}));
