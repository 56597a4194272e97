import { fieldFacts } from '../../base/index.js';
import type * as z from 'zod';
import type { Unit } from '../catalogue/unit.schema.js';
import { itemKinds } from './item-kinds.js';

/** The ratings of a unit that its data sheet does not give, as the form calls them. */
export function assumedLabels({ role, assumed }: Unit): string[] {
  const fields: Readonly<Record<string, z.ZodType>> = itemKinds[role].fields;
  return assumed.map((key) => fieldFacts.get(fields[key]!)!.label.toLowerCase());
}
