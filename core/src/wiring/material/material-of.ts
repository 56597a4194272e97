import type { Plan } from '../../design/index.js';
import { conductorAreaMm2 } from '../../rules/details.js';
import type { StackOf } from '../graph/derive-wiring.js';
import { signsOf } from '../signs/signs-of.js';
import { type SizedWiring, sizeWiring } from '../size-wiring.js';
import { type MaterialLine, wiringMaterial } from './wiring-material.js';

/**
 * What is bought for the wiring of a plan. Breakers are of the family that the panel they sit in is listed for.
 *
 * @param wired where it is at hand
 */
export function materialOf(
  plan: Plan,
  stackOf: StackOf,
  wired: SizedWiring = sizeWiring(plan, stackOf),
): MaterialLine[] {
  const families = new Map(plan.survey.panels.map(({ id, family }) => [id, family.trim()]));
  return wiringMaterial(
    wired,
    conductorAreaMm2,
    signsOf(plan, wired).length,
    (panelId) => families.get(panelId) ?? '',
  );
}
