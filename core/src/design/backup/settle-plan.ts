import type { BackedUpHouse } from './backed-up-house.js';
import { settleLegs } from '../../house/index.js';
import { settleLanes } from './settle-lanes.js';

/** Drops what is said about services and panels that are gone. */
function settleServices<P extends BackedUpHouse>(plan: P): P {
  const { backup, design, survey } = plan;
  const services = new Set(survey.services.map(({ id }) => id));
  const panels = new Set(survey.panels.map(({ id }) => id));
  const fits = backup.services.every(
    ({ serviceId, joinedTo, feederPanelId }) =>
      services.has(serviceId) &&
      (joinedTo === null || services.has(joinedTo)) &&
      (feederPanelId === null || panels.has(feederPanelId)),
  );
  if (fits && design.others.every(({ serviceId }) => services.has(serviceId))) return plan;
  const kept = backup.services.filter(({ serviceId }) => services.has(serviceId));
  return {
    ...plan,
    backup: {
      ...backup,
      services: kept.map((said) => ({
        ...said,
        joinedTo: said.joinedTo !== null && services.has(said.joinedTo) ? said.joinedTo : null,
        feederPanelId:
          said.feederPanelId !== null && panels.has(said.feederPanelId) ? said.feederPanelId : null,
      })),
    },
    design: { ...design, others: design.others.filter(({ serviceId }) => services.has(serviceId)) },
  };
}

/**
 * The job with what follows from other parts of it brought into line: loads on the legs of their circuits, lanes in
 * agreement with the loads, nothing said about services that are gone.
 */
export const settlePlan = <P extends BackedUpHouse>(plan: P): P =>
  settleServices(settleLanes(settleLegs(plan)));
