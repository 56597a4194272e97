import { systemFacts } from '../../electric/index.js';
import type { SimulatedHouse } from '../../simulator/index.js';
import type { OutageExpectation } from '../staged/expectation.js';
import type { Found } from '../staged/found.js';
import { outageFindings } from '../staged/outage-findings.js';
import type { OutageSample } from '../staged/outage-sample.js';
import { readNow } from '../staged/read-now.js';
import { recogniseEvents } from '../staged/recognise-events.js';
import type { DesignInHand } from '../steps/design-in-hand.js';
import type { Step } from '../steps/step.js';
import { recordHouse } from './record-house.js';
import { systemOfHouse } from './system-of-house.js';

/** Of what the inverter may carry so much is switched on for the load test. */
const testShare = 0.75;

/**
 * Stages an outage of a simulated house as somebody would who only has its devices: one load on one leg and the voltages of the island, a
 * load test with heaters, time in the sun until the battery is full and solar backs off, the generator where there is one, and the way
 * back.
 *
 * @returns what it says of the steps that an outage answers, by their ids
 */
export function stageOutage(
  design: DesignInHand,
  steps: readonly Step[],
  house: SimulatedHouse,
  expects: OutageExpectation,
  islandId: string,
): ReadonlyMap<string, Found> {
  const found = new Map<string, Found>();
  const { stack } = design.islands.find(({ island }) => island.id === islandId)!;
  const legs = systemFacts[design.plan.supply.system].legs.length;
  const testW = testShare * Math.min(expects.carriesW, stack!.perLegVA * legs);
  const samples: OutageSample[] = [];
  const record = (seconds: number, everyS = 5): void => recordHouse(house, samples, seconds, everyS);

  record(120);
  house.switchGrid(false);
  record(6, 1);
  const ids = house.loads().map(({ id }) => id);
  const [one] = oneLegLoads(design);
  if (one) house.runLoad(one, true);
  record(14, 1);
  for (const { id, phase, probe } of steps) {
    if (phase !== 'island' || (probe?.show !== 'voltage' && probe?.show !== 'frequency')) continue;
    const read = readNow(probe, systemOfHouse(house), null);
    if (read) found.set(id, read);
  }
  if (one) house.runLoad(one, false);
  for (const id of ids) house.switchLoad(id, false);
  house.bringHeaters(testW);
  record(180);
  house.bringHeaters(0);
  house.reset();
  record(3 * 3600);
  if (expects.generator) {
    // Until the charge calls for it, and longer than it takes to come.
    house.bringHeaters(0.8 * testW);
    const { startBelow, comesWithinS } = expects.generator;
    for (let hours = 0; hours < 9 && house.now().charge > startBelow - 0.02; hours += 1 / 12) record(300);
    record(comesWithinS + 300);
    house.bringHeaters(0);
  }
  house.switchGrid(true);
  record(6, 1);
  record(expects.watchesS + 500);
  for (const id of ids) house.switchLoad(id, true);

  const findings = outageFindings(samples, recogniseEvents(samples, expects.nominalHz), expects);
  for (const { id, probe } of steps) {
    const told = probe?.show === 'outage' ? findings.get(probe.aspect) : undefined;
    if (told) found.set(id, told);
  }
  return found;
}

/** Loads on L1 only: switched on alone they set the legs apart. */
const oneLegLoads = ({ plan }: DesignInHand): string[] =>
  plan.loads
    .filter(({ legs, runningPowerW }) => legs === 'L1' && runningPowerW > 200 && runningPowerW < 2000)
    .map(({ id }) => id);
