import { quantityText } from '@levamen/core/base';
import { circuitsById, circuitText } from '@levamen/core/house';
import type { Stage } from '../../shell/stage';

export const panelsStage: Stage = {
  path: 'panels',
  name: 'Panels',
  purpose: 'services, panels and circuits',
  screen: () => import('./panels-stage').then((m) => m.PanelsStage),
  completeness: ({ survey, loads }) => ({
    done: loads.filter(({ circuitId }) => circuitId !== null).length,
    of: survey.panels.length === 0 ? 0 : loads.length,
  }),
  findables: ({ survey }) =>
    [...circuitsById(survey).values()].map((placed) => ({
      id: placed.circuit.id,
      label: circuitText(placed),
      detail: placed.circuit.ratingA === null ? '' : quantityText(placed.circuit.ratingA, 'A'),
      group: 'Circuit',
    })),
  shortcuts: {
    group: 'In a panel',
    rows: [
      { keys: 'Arrows, Home, End', does: 'Move between spaces' },
      { keys: 'Type, Enter or F2', does: 'Write the breaker: 20 Kitchen, 50/2 Range, spare 20' },
      { keys: 'Enter / Tab', does: 'Take it and go down / to the next number' },
      { keys: 'Tab, Esc and Tab', does: 'Go on to the next space, or out of the panel' },
      { keys: 'Alt and arrows', does: 'Move the breaker, or let two change places' },
      { keys: 'Delete', does: 'Remove the breaker' },
      { keys: 'Ctrl V', does: 'Paste a list of circuits' },
    ],
  },
};
