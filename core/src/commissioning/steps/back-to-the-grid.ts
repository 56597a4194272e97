import { given } from '../../base/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { question } from './question.js';
import type { Step } from './step.js';

/** The grid is watched (common practice, no source): share of the time at least, s more at most. */
const least = 0.9;
const moreS = 180;

/** The grid comes back: it is watched, the house returns, everything is as before. */
export function backToTheGrid({ islands }: DesignInHand): Step[] {
  return islands.flatMap(({ island, stack }): Step[] => {
    if (!stack) return [];
    const waitsS = stack.gridReturnMin * 60;
    return [
      {
        id: `return:${island.id}`,
        phase: 'back',
        title: `${island.name} returns to the grid after`,
        how: 'From when the grid is given back until the isolating device closes.',
        why: 'A grid that has just come back goes again; and its code wants it watched first.',
        care: null,
        asks: {
          kind: 'measure',
          unit: 's',
          predicted: given({
            key: `return:${island.id}`,
            label: `Time ${stack.inverter.name} watches the grid`,
            value: waitsS,
            unit: 's',
            source: { kind: 'catalogue', unit: stack.inverter.name },
          }),
          least: waitsS * least,
          most: waitsS + moreS,
          bounds: `${least * 100} % of its time to ${moreS} s more (common practice, no source)`,
          causes: [
            { from: 0, to: waitsS * least, text: 'Another grid profile than that of the place' },
            {
              from: waitsS + moreS,
              to: Infinity,
              text: 'The grid is outside the window of the profile, or the island’s frequency is far from it',
            },
          ],
        },
        makeSafe: '',
        probe: { show: 'outage', aspect: 'return' },
      },
      question('back', {
        id: `smooth:${island.id}`,
        title: `Nothing went dark as it returned: ${island.name}`,
        how: 'Lights and router are watched as the isolating device closes.',
        why: 'The island is brought in step with the grid first.',
        causes: ['It opened before it closed: the transfer is a break', 'It closed out of step'],
        probe: { show: 'outage', aspect: 'smooth' },
      }),
    ];
  });
}
