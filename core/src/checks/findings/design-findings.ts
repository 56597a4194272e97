import { type Finding, quantityText } from '../../base/index.js';
import { isAmerican } from '../../electric/index.js';
import { dwellingLoadsOf, optionalDwelling } from '../../rules/index.js';
import type { DemandContext, JudgedStack } from '../../study/index.js';

/** What brief and stack together give reason to say. */
export function designFindings(context: DemandContext, judged: JudgedStack | null): Finding[] {
  const { plan, settings, backupSet } = context;
  const found: Finding[] = [];
  const temperatureC = settings.batteryTemperatureC.value;
  if (plan.brief.goals.ownSolar === 'decides' && settings.surplusSolarWhPerDay.value === 0) {
    found.push({
      key: 'no-surplus',
      severity: 'must-fix',
      title: 'No surplus solar to fill the battery',
      because: 'Own solar decides the size, but no surplus solar is entered.',
      cure: 'Enter the surplus of a usual day. Without one this is an outage or tariff battery only.',
      figures: [],
    });
  }
  if (temperatureC < 0 && judged?.stack.chemistry !== 'lead-acid') {
    found.push({
      key: 'cold-charge',
      severity: 'must-fix',
      title: 'Too cold to charge',
      because: `Lithium cells must not be charged below 0 °C; the battery is at ${quantityText(temperatureC, '°C', plan.site.units)}.`,
      cure: 'Place the battery where it stays above freezing, or choose one with its own heating.',
      figures: [],
    });
  }
  if (temperatureC > 50) {
    found.push({
      key: 'hot-derate',
      severity: 'consider',
      title: 'Hot enough to derate',
      because: 'Units reduce their power above about 50 °C (common practice, no source).',
      cure: 'Choose a cooler wall or give it shade.',
      figures: [],
    });
  }
  // Where the way of backing up is settled, its requirements say so.
  const settled = plan.backup.services.some(({ school }) => school !== null);
  const wholeHouse =
    !settled && plan.loads.length > 3 && plan.loads.every((load) => backupSet.includes(load));
  if (judged && wholeHouse && isAmerican(plan.supply.system)) {
    const { totalVA } = optionalDwelling(dwellingLoadsOf(plan.loads, settings.floorAreaM2.value));
    if (totalVA > judged.stack.continuousVA) {
      found.push({
        key: 'nec-702-4',
        severity: 'must-fix',
        title: 'The whole house is transferred, but the source is smaller than its calculated load',
        because: `NEC 702.4 (2023, recalled): under automatic transfer the source carries the calculated load, ${quantityText(totalVA, 'VA')}, or load management limits what is connected. The stack gives ${quantityText(judged.stack.continuousVA, 'VA')}.`,
        cure: 'Take loads out of the backup set, plan automatic load management, or add inverters. Verify with the local authority.',
        figures: [],
      });
    }
  }
  if (backupSet.length > 0 && plan.brief.goals.outage === 'none') {
    found.push({
      key: 'no-outage-goal',
      severity: 'consider',
      title: 'There is a backup set, but outages are not a goal',
      because: 'The runtime is shown but does not decide the size.',
      cure: 'Let outages count or decide in the brief.',
      figures: [],
    });
  }
  return found;
}
