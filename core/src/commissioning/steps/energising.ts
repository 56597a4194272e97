import type { DesignInHand } from './design-in-hand.js';
import type { Step } from './step.js';
import { pairsOf, voltage } from './voltages.js';

/** Neutral against earth with the house on (common practice, no source), V. */
const mostNeutralV = 2;

/** Voltages of the grid at each service before anything new is closed, then what is switched on, in its order. */
export function energising({ plan, islands }: DesignInHand): Step[] {
  const { system } = plan.supply;
  const atServices = plan.survey.services.flatMap(({ id, name }): Step[] => [
    ...pairsOf(system).map((pair): Step => ({
      id: `voltage:${id}:${pair.name}`,
      phase: 'energise',
      title: `Grid, ${pair.name}: ${name}`,
      how: 'At the service, everything new still open.',
      why: 'What the inverter will be tied to must be what it is set for.',
      care: 'live',
      asks: voltage(`voltage:${id}:${pair.name}`, pair, system, false),
      makeSafe: `Open the main of ${name}; close nothing new before the grid is as it should be.`,
      probe: { show: 'voltage', side: 'grid', pair: pair.name },
    })),
    {
      id: `voltage:${id}:N-PE`,
      phase: 'energise',
      title: `Neutral against earth: ${name}`,
      how: 'At the service, with the house on.',
      why: 'A voltage here is a neutral that is loose, or current on a second bond.',
      care: 'live',
      asks: {
        kind: 'measure',
        unit: 'V',
        predicted: null,
        least: null,
        most: mostNeutralV,
        bounds: `At most ${mostNeutralV} V (common practice, no source)`,
        causes: [
          {
            from: mostNeutralV,
            to: 20,
            text: 'A loose neutral, or one that also carries what flows on a second bond',
          },
          { from: 20, to: Infinity, text: 'Neutral and a leg are exchanged, or the neutral is lost' },
        ],
      },
      makeSafe: `Open the main of ${name}, and find the neutral before anything else is switched on.`,
      probe: null,
    },
  ]);
  return [
    ...atServices,
    ...islands.flatMap(({ island, stack }): Step[] =>
      stack
        ? [
            {
              id: `order:${island.id}`,
              phase: 'energise',
              title: `Batteries, then inverters: ${island.name}`,
              how: 'Battery switches first, then the management of the batteries, then the inverters, as their maker says; breakers of the output last.',
              why: 'Closed the other way round, the capacitors of the inverter draw an arc through the battery switch.',
              care: 'live',
              asks: {
                kind: 'so',
                causes: ['An inverter reports no battery, or its management has locked out'],
              },
              makeSafe: 'Open the output breakers, then the battery switches, and begin again.',
              probe: null,
            },
          ]
        : [],
    ),
  ];
}
