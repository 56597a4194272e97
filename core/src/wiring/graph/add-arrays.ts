import { currentOnLegsA } from '../../electric/index.js';
import { circuitsById } from '../../house/index.js';
import { arrayCircuits, arrayInverterW, equipmentRoute } from '../../design/index.js';
import type { Feeds } from './add-services.js';
import type { GraphBuilder } from './graph-builder.js';
import { busOfSource } from './bus-of-source.js';
import type { IslandPlaces } from './add-island.js';

/** Adds arrays with inverters of their own, and solar that was found ahead of a panel; those on direct current hang on the battery's inverter. */
export function addArrays(builder: GraphBuilder, feeds: Feeds, placed: readonly IslandPlaces[]): void {
  const { supply, survey, sources } = builder.plan;
  const circuits = circuitsById(survey);
  const automatic = sources.generator?.locksSolarOut ? 'unless-generator' : null;
  const ways = sources.arrays.flatMap((array) => {
    if (array.coupling !== 'ac') return [];
    const there = arrayCircuits(array, circuits).map(({ circuit }) => circuit);
    const all = there.length > 0 ? there : [null];
    // Inverters alike, one on each circuit.
    const amps = currentOnLegsA(supply.system, arrayInverterW(array), array.legs) / all.length;
    return all.map((circuit, index) => ({
      array,
      circuit,
      amps,
      id: index === 0 ? array.id : `${array.id}:${index + 1}`,
      called: all.length === 1 ? array.name : `${array.name}, circuit ${index + 1}`,
    }));
  });
  for (const { array, circuit, amps, id, called } of ways) {
    const bus = busOfSource(feeds, placed, circuit?.id ?? null);
    if (bus === null) continue;
    const source = builder.source({ id: `array:${id}`, name: called, kind: 'array' });
    const name = `Disconnect of ${called}`;
    const disconnect = builder.place({ id: `array-switch:${id}`, name, kind: 'terminals' });
    builder.part({
      id: `array-feed:${id}`,
      name: `Circuit of ${called}`,
      from: bus,
      to: disconnect,
      device: {
        kind: 'breaker',
        name: `Breaker of ${called}`,
        ratingA: circuit?.ratingA ?? builder.deviceForA(amps),
        ...(circuit?.ratingA ? {} : { why: '125 % of its inverter' }),
        automatic,
      },
      cable: {
        use: 'array',
        continuousA: amps,
        legs: array.legs,
        conductor: circuit?.conductor ?? null,
        // What is there already runs as it runs.
        lengthM: array.existing ? null : (equipmentRoute(builder.plan, 'array')?.lengthM ?? null),
        isNew: !array.existing,
      },
    });
    builder.part({
      id: disconnect,
      name,
      from: disconnect,
      to: source,
      device: { kind: 'disconnect', name, ratingA: null, legs: array.legs },
    });
  }
  for (const panel of survey.panels)
    for (const device of panel.between) {
      if (device.kind !== 'existing-solar') continue;
      const name = `Solar ahead of ${panel.name}`;
      builder.part({
        id: `array-feed:${device.id}`,
        name: `Circuit of ${name}`,
        from: `in:${panel.id}`,
        to: builder.source({ id: `array:${device.id}`, name, kind: 'array' }),
        device: { kind: 'disconnect', name: `Disconnect of ${name}`, ratingA: device.ratingA },
      });
    }
}
