import { quantityText } from '../../base/index.js';
import { systemFacts } from '../../electric/index.js';
import { connectedVA } from '../../house/details.js';
import { dwellingLoadsOf, optionalDwelling } from '../../rules/index.js';
import { coversOf } from '../../design/index.js';
import type { Report, Case } from './case.js';

export function checkTransfer({ context, said, stack, plan }: Case, report: Report): void {
  if (systemFacts[plan.supply.system].legVoltageV !== 120 || !stack || said.school === null) return;
  const rule = 'NEC 702.4 (2023, recalled)';
  if (!said.automaticTransfer) {
    report('transfer', 'fine', 'Transferred by hand: the user chooses what the source carries', `${rule}.`);
    return;
  }
  const connected = context.members
    .filter(({ shed }) => shed === null || shed.when === 'charge')
    .map(({ load }) => load);
  const managed = context.members.length - connected.length;
  const whole = coversOf(said) === 'service';
  const calculatedVA = whole
    ? optionalDwelling(dwellingLoadsOf(connected, context.settings.floorAreaM2.value)).totalVA
    : connectedVA(connected);
  const how = whole
    ? `calculated by 220.82${managed > 0 ? `, without ${managed} loads under automatic management` : ''}`
    : 'all that is connected, running';
  const holds = calculatedVA <= stack.continuousVA;
  report(
    'transfer',
    holds ? 'fine' : 'must-fix',
    holds
      ? 'The source carries the load transferred'
      : 'The load transferred automatically is larger than the source',
    `${rule}: ${quantityText(calculatedVA, 'VA')} (${how}) against ${quantityText(stack.continuousVA, 'VA')}.`,
    'Shed more by automatic load management, transfer by hand, or add inverters. Verify with the local authority.',
  );
}
