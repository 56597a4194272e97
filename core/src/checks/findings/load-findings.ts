import { type Finding, nameList } from '../../base/index.js';
import { keptLoads, presences, runningLoads } from '../../design/index.js';
import { enoughExplained, explainedShare, explainedWh } from '../../house/index.js';
import type { DemandContext } from '../../study/index.js';
import { mayHaveMotor } from './motor-kinds.js';

/** What the list of loads itself gives reason to say. */
export function loadFindings({ plan, settings, backupSet }: DemandContext): Finding[] {
  const { loads } = plan;
  const kept = keptLoads(plan);
  const runs = runningLoads(plan);
  const presence = presences(plan);
  const found: Finding[] = [];
  const report = (
    names: readonly string[],
    finding: Omit<Finding, 'because' | 'figures'> & { because: (names: string) => string },
  ): void => {
    if (names.length > 0) found.push({ ...finding, because: finding.because(nameList(names)), figures: [] });
  };
  const namesOf = (keep: (load: (typeof loads)[number]) => boolean): string[] =>
    loads.filter(keep).map(({ name }) => name);
  report(
    namesOf(({ id, kind }) => kind === 'medical' && runs.has(id)),
    {
      key: 'life-support',
      severity: 'must-fix',
      title: 'Not for life support alone',
      because: (names) => `${names} depends on this system.`,
      cure: 'If a life depends on it, provide a second, independent source, and tell the utility and the physician.',
    },
  );
  report(
    namesOf(({ id, tier }) => tier === 'must' && !runs.has(id)),
    {
      key: 'must-left-out',
      severity: 'must-fix',
      title: 'A load that must stay on is not in the backup set',
      because: (names) => `${names}: marked must, but left dark in an outage.`,
      cure: 'Put it into the backup set, or lower its tier.',
    },
  );
  report(
    namesOf(({ id, tier }) => tier === 'never' && kept.has(id)),
    {
      key: 'never-kept',
      severity: 'consider',
      title: 'A load that is never wanted in an outage is in the backup set',
      because: (names) => `${names}: marked never.`,
      cure: 'Take it out of the backup set, or change its tier.',
    },
  );
  report(
    namesOf((load) => presence(load) === 'along'),
    {
      key: 'runs-along',
      severity: 'consider',
      title: 'Loads that nobody has chosen run along',
      because: (names) => `What feeds them stays on in an outage, so they run and are counted: ${names}.`,
      cure: 'Put them into the backup set, on another circuit, or say in the details of the load that the household unplugs them.',
    },
  );
  report(settings.handsOn.value ? [] : namesOf((load) => presence(load) === 'unplugged'), {
    key: 'unplugged',
    severity: 'consider',
    title: 'Unplugging counts on somebody being home',
    because: (names) => `${names}: the household is not expected to see to it, so they are counted in full.`,
    cure: 'Put them on a circuit that goes dark, or say in the brief that the household is hands-on.',
  });
  report(
    namesOf((load) => runs.has(load.id) && load.start.how === 'none' && mayHaveMotor(load)),
    {
      key: 'motor-without-start',
      severity: 'consider',
      title: 'A motor without a starting figure',
      because: (names) => `${names}: usually a motor, but entered without a start.`,
      cure: 'Read locked-rotor amperes or code letter off the nameplate, or measure the start.',
    },
  );
  report(
    plan.survey.panels.some(({ circuits }) => circuits.length > 0)
      ? namesOf(({ circuitId }) => circuitId === null)
      : [],
    {
      key: 'not-placed',
      severity: 'consider',
      title: 'Loads that hang on no circuit yet',
      because: (names) => `The panels are surveyed, but nobody has said what feeds ${names}.`,
      cure: 'Put them on their circuits in Panels, or choose the circuit in the details of the load.',
    },
  );
  report(
    backupSet.length > 1 && plan.supply.system !== 'single-230'
      ? namesOf(({ id, legsAssumed }) => legsAssumed && runs.has(id))
      : [],
    {
      key: 'legs-assumed',
      severity: 'consider',
      title: 'Legs are assumed',
      because: (names) => `Nobody has said yet which leg these are on: ${names}.`,
      cure: 'Read the legs off the panel; the leg split rests on them.',
    },
  );
  const bills = explainedWh(plan);
  const explained = bills ? explainedShare(bills[settings.designSeason.value]) : 1;
  const hasRest = loads.some(({ basis }) => basis === 'bills');
  if (loads.length > 0 && !hasRest && explained < enoughExplained) {
    found.push({
      key: 'bills-unexplained',
      severity: 'consider',
      title: 'The listed loads explain little of the bills',
      because: `On a day of ${settings.designSeason.value} they come to ${Math.round(explained * 100)} % of what is billed: loads are missing, or run longer than was said.`,
      cure: 'List what is missing, or add the rest of the house in Usage, under the bills.',
      figures: [],
    });
  }
  return found;
}
