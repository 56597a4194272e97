import { derived, given } from '../../base/index.js';
import { islandPlan, islandsOf, type Plan } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';
import type { StackOf } from '../graph/derive-wiring.js';

/** Charge controllers of an island, against the arrays on direct current that they take. */
export const controllerSubjects = (plan: Plan, stackOf: StackOf): Subject<'controllers'>[] =>
  islandsOf(plan).flatMap((island): Subject<'controllers'>[] => {
    const stack = stackOf(island);
    if (!stack || stack.controllers.count === 0) return [];
    const arrays = islandPlan(plan, island).sources.arrays.filter(({ coupling }) => coupling === 'dc');
    if (arrays.length === 0) return [];
    const arrayW = arrays.reduce((sum, { ratedW }) => sum + ratedW, 0);
    const { count, takeW } = stack.controllers;
    const eachW = takeW / count;
    const id = `controllers:${island.id}`;
    const beside = stack.solarDcW - takeW;
    // Rounded up: a part of one takes nothing.
    const needed = Math.ceil((arrayW - beside) / eachW - 1e-9);
    return [
      {
        kind: 'controllers',
        keyBefore: id,
        keyAfter: '',
        name: `Charge controllers of ${stack.name}`,
        about: `inverter:${island.id}:1`,
        facts: {
          name: `Charge controllers of ${stack.name}`,
          count,
          needed,
          arrayW: given({
            key: `${id}.array`,
            label: `Arrays on direct current: ${arrays.map(({ name }) => name).join(', ')}`,
            value: arrayW,
            unit: 'W',
            source: { kind: 'user' },
          }),
          takesW: derived({
            key: `${id}.takes`,
            label: 'What charge controllers and inputs take',
            value: stack.solarDcW,
            unit: 'W',
            formula: '{count} × {each} + {beside}',
            inputs: {
              count: given({
                key: `${id}.count`,
                label: 'Charge controllers',
                value: count,
                unit: 'count',
                source: { kind: 'derived' },
              }),
              each: given({
                key: `${id}.each`,
                label: 'Largest array of one',
                value: eachW,
                unit: 'W',
                source: { kind: 'catalogue', unit: stack.name },
              }),
              beside: given({
                key: `${id}.beside`,
                label: 'Inputs of the inverters',
                value: beside,
                unit: 'W',
                source: { kind: 'catalogue', unit: stack.name },
              }),
            },
          }),
        },
      },
    ];
  });
