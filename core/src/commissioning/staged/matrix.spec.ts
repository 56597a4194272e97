import { describe, expect, it } from 'vitest';
import { demoPlans, usualGenerator } from '../../design/index.js';
import { type SimulatedFault, simulatedFaultNames } from '../../simulator/index.js';
import { type Answered, commission } from '../simulated/commission.js';
import { type BuiltHouse, builtHouse } from '../simulated/built-house.js';
import { randomBuilt } from '../testing/random-built.js';

/** All faults in each of fifty houses where LEVAMEN_PROVE is set, else a slice of them. */
const isLong = process.env['LEVAMEN_PROVE'] !== undefined;
const count = isLong ? 50 : 6;

/** In the forenoon of a clear day in June, nearly full. */
const start = { minute: 158 * 1440 + 10.5 * 60, charge: 0.93 };

/** Where each fault must show: at which steps, and what is said there. */
const shows: Readonly<Record<SimulatedFault, readonly [step: RegExp, says: RegExp]>> = {
  'sensor-reversed': [/^sensor:.*:L1$/, /turned round/],
  'sensors-swapped': [/^sensor:.*:L1$/, /two sensors are exchanged/],
  'battery-missing': [/^batteries:/, /cable between them is loose/],
  'address-twice': [/^batteries:/, /an address is given twice/],
  'neutral-open': [/^island:.*:L[12]-N$/, /neutral of the island is not formed|A conductor floats/],
  'solar-stays-away': [/^sun-back:/, /did not come back at all/],
  'solar-holds-on': [/^backs-off:/, /does not follow the frequency/],
  'late-transfer': [/^gap:/, /opens late|tripped first/],
  'trips-early': [/^heavy:/, /trips below its rating/],
  'generator-silent': [/^generator-run:/, /nothing came/],
  'wrong-profile': [/^return:/, /Another grid profile/],
  'clock-off': [/^clock:/, /time zone/],
  'flaky-network': [/^answers:/, /network drops answers/],
};

/** Steps that hang on others: dark, nothing else can be measured, and a battery less carries less. */
const follows: Readonly<Partial<Record<SimulatedFault, RegExp>>> = {
  'trips-early': /^(island|frequency|away|sun-back):/,
  'neutral-open': /^island:/,
  'battery-missing': /^heavy:/,
  'sensors-swapped': /^sensor:/,
};

const offOf = (answered: readonly Answered[]): Answered[] =>
  answered.filter(({ verdict }) => verdict === 'off');
const textOf = ({ found, causes }: Answered): string => [found.says, ...causes].join('; ');

/** Can a house have a fault so that it shows? */
function has(fault: SimulatedFault, { design }: BuiltHouse, healthy: readonly Answered[]): boolean {
  const [step] = shows[fault];
  const { stack } = design.islands[0]!;
  const batteries = stack!.batteries.reduce((sum, { quantity }) => sum + quantity, 0);
  if (fault === 'battery-missing' || fault === 'address-twice') return batteries > 1;
  if (fault === 'neutral-open') return design.plan.supply.system === 'split-120-240';
  if (fault === 'generator-silent') return design.plan.sources.generator !== null;
  if (fault === 'trips-early') return true;
  return healthy.some((one) => step.test(one.step.id));
}

/** Houses with a generator every third time, and the demo's farmhouse, which has sensors of its own. */
function houses(): BuiltHouse[] {
  const random = randomBuilt(count, (plan) =>
    plan.outage.seed % 3 === 0
      ? { ...plan, sources: { ...plan.sources, generator: usualGenerator('auto') } }
      : plan,
  );
  const farm = builtHouse(demoPlans[0]!.plan);
  return [...random, farm, farm, farm];
}

describe('what commissioning finds', () => {
  it('is nothing in a healthy house, and each fault by name', () => {
    const seen = new Map<SimulatedFault, number>();
    for (const [place, house] of houses().entries()) {
      const run = (fault: SimulatedFault | null): Answered[] => {
        const simulated = house.simulate(place + 1, start.minute, start.charge);
        if (fault) simulated.inject(fault, true);
        return commission(house.design, simulated, house.hardware, house.islandId);
      };
      const healthy = run(null);
      expect(offOf(healthy).map((one) => [place, one.step.id, textOf(one)])).toEqual([]);
      const tried = simulatedFaultNames.filter(
        (fault, rank) =>
          (isLong || place >= count || fault === 'generator-silent' || (rank + place) % 4 === 0) &&
          has(fault, house, healthy),
      );
      for (const fault of tried) {
        const [step, says] = shows[fault];
        const off = offOf(run(fault));
        const named = off.filter((one) => step.test(one.step.id) && says.test(textOf(one)));
        expect(
          named.length,
          `${fault} in house ${place}: ${off.map((one) => `${one.step.id} ${textOf(one)}`).join(' | ')}`,
        ).toBeGreaterThan(0);
        const beside = off.filter(({ step: { id } }) => !step.test(id) && !follows[fault]?.test(id));
        expect(beside.map((one) => [fault, place, one.step.id, textOf(one)])).toEqual([]);
        seen.set(fault, (seen.get(fault) ?? 0) + 1);
      }
    }
    // No fault is left out because no house could have it.
    expect([...seen.keys()].toSorted()).toEqual([...simulatedFaultNames].toSorted());
    if (isLong) process.stdout.write(`Found, by fault: ${JSON.stringify(Object.fromEntries(seen))}\n`);
  }, 900_000);
});
