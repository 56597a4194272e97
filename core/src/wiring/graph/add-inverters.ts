import { currentOnLegsA, type LegSet, type SupplySystem } from '../../electric/index.js';
import type { Stack } from '../../equipment/index.js';
import { islandWiring, placedRoute } from '../../design/index.js';
import type { GraphBuilder } from './graph-builder.js';

const outputLegs = { one: 'L1', two: 'L1-L2', three: 'L1-L2-L3' } as const;
/** Legs an inverter of a stack feeds; nothing where it is not known. */
const legsOfUnit = (stack: Stack | null): { readonly legs?: LegSet } =>
  stack?.inverter.inverter ? { legs: outputLegs[stack.inverter.inverter.output] } : {};

/** Output current of one inverter unit of a stack at its continuous rating, A. */
export const unitCurrentA = (
  { continuousVA, inverterQuantity, inverter }: Stack,
  system: SupplySystem,
): number =>
  currentOnLegsA(system, continuousVA / inverterQuantity, outputLegs[inverter.inverter?.output ?? 'one']);

/**
 * Adds the inverters of an island: one hangs on a breaker, several on a combiner panel.
 *
 * @param joins where they come in
 * @param device the isolating device that tells them whether they lead
 * @param inline they pass the house through, each beside the other
 * @returns their ids
 */
export function addInverters(
  builder: GraphBuilder,
  islandId: string,
  stack: Stack | null,
  { joins, device, inline }: { readonly joins: string; readonly device: string; readonly inline: boolean },
): string[] {
  const count = stack?.inverterQuantity ?? 1;
  const eachA = stack && unitCurrentA(stack, builder.plan.supply.system);
  const { neutral } = islandWiring(builder.plan.wiring, islandId);
  // The first of several leads on to the combiner panel, which hangs beside it.
  const runM = (number: number): number | null =>
    stack === null
      ? null
      : (placedRoute(
          builder.plan,
          `unit:${islandId}:${stack.inverter.id}:${number}`,
          stack.inverter.body,
          'panel',
        )?.lengthM ?? null);
  const isCombined = count > 1 && !inline;
  const bus = isCombined ? addCombiner(builder, islandId, joins, eachA && count * eachA, runM(1)) : joins;
  if (neutral === 'autotransformer') addAutotransformer(builder, islandId, bus);
  return Array.from({ length: count }, (_, index) => {
    const name = `${stack?.inverter.name ?? 'Battery inverter'}${count > 1 ? ` ${index + 1}` : ''}`;
    const id = builder.source(
      { id: `inverter:${islandId}:${index + 1}`, name, kind: 'inverter' },
      { device, parallelGroup: islandId, formsNeutral: neutral === null || neutral === 'inverter' },
    );
    builder.part({
      id: `output:${islandId}:${index + 1}`,
      name: `Output of ${name}`,
      from: bus,
      to: id,
      device: { kind: 'breaker', name: `Breaker of ${name}`, ratingA: builder.deviceForA(eachA) },
      cable: {
        use: 'source',
        continuousA: eachA ?? 0,
        ...legsOfUnit(stack),
        lengthM: isCombined ? null : runM(index + 1),
        isNew: true,
      },
    });
    return id;
  });
}

/** The smallest busbar of a new panel (common practice, no source), A. */
export const leastBusA = 100;

/** Adds the combiner panel of several inverters, and its feeder. */
function addCombiner(
  builder: GraphBuilder,
  islandId: string,
  joins: string,
  totalA: number | null,
  lengthM: number | null,
): string {
  const ratingA = builder.deviceForA(totalA);
  const bus = builder.place({
    id: `combiner:${islandId}`,
    name: 'Combiner panel of the inverters',
    kind: 'bus',
    busA: ratingA === null ? null : Math.max(leastBusA, ratingA),
  });
  builder.part({
    id: `combined:${islandId}`,
    name: 'Feeder of the combiner panel',
    from: joins,
    to: bus,
    device: { kind: 'breaker', name: 'Breaker of the combiner panel', ratingA },
    cable: { use: 'source', continuousA: totalA ?? 0, lengthM, isNew: true },
  });
  return bus;
}

/** An autotransformer that forms the neutral of an island, on a two-pole breaker beside the inverters. */
function addAutotransformer(builder: GraphBuilder, islandId: string, bus: string): void {
  const id = `autotransformer:${islandId}`;
  const name = 'Autotransformer';
  builder.place({ id, name, kind: 'terminals' });
  builder.part({
    id,
    name: `Circuit of the ${name.toLowerCase()}`,
    from: bus,
    to: id,
    device: { kind: 'breaker', name: `Breaker of the ${name.toLowerCase()}`, ratingA: null },
  });
  builder.neutralFormers.push({ id, at: id });
}
