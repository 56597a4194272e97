import { systemFacts } from '../../electric/index.js';
import type { Service } from '../../house/index.js';
import { codeValues, continuousFactor, dwellingLoadsOf, existingDwelling } from '../../rules/index.js';
import type { Subject } from '../../rules/packs.js';
import { islandsOf, islandWiring, type Plan, settingsOf } from '../../design/index.js';
import type { StackOf } from '../graph/derive-wiring.js';

/** The service an island charges from; its first one. */
function chargedFrom(plan: Plan, stackOf: StackOf, { id }: Service) {
  const islands = islandsOf(plan).filter(({ services }) => services[0]?.id === id);
  const chargeVA = islands.reduce((sum, island) => {
    const stack = stackOf(island);
    return stack ? sum + stack.chargePowerW / stack.chargeEfficiency : sum;
  }, 0);
  return {
    chargeVA,
    isHeld: islands.some((island) => islandWiring(plan.wiring, island.id).heldToA !== null),
  };
}

/** Services that a battery charges from, their loads counted as in an existing dwelling (220.83, recalled). */
export const serviceLoadSubjects = (plan: Plan, stackOf: StackOf): Subject<'service-load'>[] =>
  plan.survey.services.flatMap((service): Subject<'service-load'>[] => {
    const { chargeVA, isHeld } = chargedFrom(plan, stackOf, service);
    if (chargeVA === 0) return [];
    const { system } = plan.supply;
    const { legVoltageV, legs } = systemFacts[system];
    const limitA = service.mainBreakerA ?? service.ratingA;
    // Of several services nobody knows which loads hang on which: only a service alone is counted, where the method holds.
    const loadsVA =
      plan.survey.services.length > 1 || codeValues(plan).sizes !== 'american'
        ? null
        : existingDwelling(dwellingLoadsOf(plan.loads, settingsOf(plan).floorAreaM2.value), {
            addsHeatingOrCooling: false,
          }).totalVA;
    return [
      {
        kind: 'service-load',
        keyBefore: `charging:${service.id}`,
        keyAfter: '',
        name: service.name,
        about: `meter:${service.id}`,
        facts: {
          service: service.name,
          loadsVA,
          chargeVA,
          totalVA: loadsVA === null ? null : loadsVA + continuousFactor * chargeVA,
          serviceVA: limitA === null ? null : limitA * legVoltageV * legs.length,
          isHeld,
        },
      },
    ];
  });
