import { systemFacts } from '../../electric/index.js';
import type { OutageHardware } from '../../study/details.js';
import type { SimulatedHouse } from '../../simulator/index.js';
import { judgeStep } from '../judge/judge-step.js';
import { expectationOf } from '../staged/expectation.js';
import type { Found } from '../staged/found.js';
import { outageFindings } from '../staged/outage-findings.js';
import type { OutageSample } from '../staged/outage-sample.js';
import { readNow } from '../staged/read-now.js';
import { recogniseEvents } from '../staged/recognise-events.js';
import type { DesignInHand } from '../steps/design-in-hand.js';
import type { Step } from '../steps/step.js';
import { stepsOf } from '../steps/steps-of.js';
import { sampleOfHouse } from './sample-of-house.js';
import { systemOfHouse } from './system-of-house.js';

/** A step that was answered by the devices, and how it was judged. */
export interface Answered {
  readonly step: Step;
  readonly found: Found;
  readonly verdict: 'right' | 'off' | 'open';
  readonly causes: readonly string[];
}

/** Of what the inverter may carry so much is switched on for the load test. */
const testShare = 0.75;

/**
 * Puts a simulated house into service as somebody would who only has its devices: each step that they can answer, in its order, with
 * the known loads switched on by hand, a load test, an outage in the sun until the battery is full and solar backs off, and the way back.
 */
export function commission(
  design: DesignInHand,
  house: SimulatedHouse,
  hardware: OutageHardware,
  islandId: string,
): Answered[] {
  const steps = stepsOf(design, { added: [] }).filter(({ probe }) => probe !== null);
  const answered: Answered[] = [];
  const expects = expectationOf(design, islandId, hardware)!;
  const { stack } = design.islands.find(({ island }) => island.id === islandId)!;
  const legs = systemFacts[design.plan.supply.system].legs.length;
  const testW = testShare * Math.min(expects.carriesW, stack!.perLegVA * legs);
  const answer = (step: Step, found: Found | null): void => {
    if (found) answered.push({ step, found, ...judgeStep(step, found) });
  };
  const samples: OutageSample[] = [];
  const toMinute = (): void => house.advance(60 - (house.second % 60));
  const record = (seconds: number, everyS = 5): void => {
    for (let passed = 0; passed < seconds; passed += everyS) {
      house.advance(everyS);
      samples.push(sampleOfHouse(house.now()));
    }
  };

  for (const step of steps) {
    const probe = step.probe!;
    if (step.phase === 'island' || step.phase === 'back' || probe.show === 'outage') continue;
    if (probe.show !== 'rise') {
      answer(step, readNow(probe, systemOfHouse(house, 4), null));
      continue;
    }
    // Within a minute everything else stays as it is.
    toMinute();
    house.switchLoad(probe.loadId, false);
    const before = systemOfHouse(house);
    house.switchLoad(probe.loadId, true);
    house.runLoad(probe.loadId, true);
    house.advance(5);
    answer(step, readNow(probe, systemOfHouse(house), before));
    house.runLoad(probe.loadId, false);
  }

  record(120);
  house.switchGrid(false);
  record(6, 1);
  const ids = house.loads().map(({ id }) => id);
  const [one] = oneLegLoads(design);
  if (one) house.runLoad(one, true);
  record(14, 1);
  for (const step of steps) {
    const probe = step.probe!;
    if (step.phase === 'island' && (probe.show === 'voltage' || probe.show === 'frequency'))
      answer(step, readNow(probe, systemOfHouse(house), null));
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
  for (const step of steps)
    if (step.probe?.show === 'outage') answer(step, findings.get(step.probe.aspect) ?? null);
  return answered;
}

/** Loads on L1 only: switched on alone they set the legs apart. */
const oneLegLoads = ({ plan }: DesignInHand): string[] =>
  plan.loads
    .filter(({ legs, runningPowerW }) => legs === 'L1' && runningPowerW > 200 && runningPowerW < 2000)
    .map(({ id }) => id);
