import { isAmerican } from '../../electric/index.js';
import { connectedVA } from '../../house/details.js';
import { dwellingLoadsOf, optionalDwelling } from '../../rules/index.js';
import { coversOf } from '../../design/index.js';
import type { BackupCase } from './backup-case.js';

/** The load that is transferred automatically, as the code counts it, against the source. */
export function transferFacts({ context, said, stack, plan }: BackupCase) {
  const connected = context.members
    .filter(({ shed }) => shed === null || shed.when === 'charge')
    .map(({ load }) => load);
  const managed = context.members.length - connected.length;
  const whole = coversOf(said) === 'service';
  return {
    isAmerican: isAmerican(plan.supply.system),
    hasStack: stack !== null,
    isAutomatic: said.automaticTransfer,
    transferredVA: whole
      ? optionalDwelling(dwellingLoadsOf(connected, context.settings.floorAreaM2.value)).totalVA
      : connectedVA(connected),
    transferredHow: whole
      ? `calculated by 220.82${managed > 0 ? `, without ${managed} loads under automatic management` : ''}`
      : 'all that is connected, running',
    sourceVA: stack?.continuousVA ?? null,
  };
}
