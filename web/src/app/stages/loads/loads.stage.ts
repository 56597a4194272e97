import { quantityText } from '@levamen/core/base';
import { presences } from '@levamen/core/design';
import { presenceWords } from '../../ui/presence-words';
import type { Stage } from '../../shell/stage';

export const loadsStage: Stage = {
  path: 'loads',
  name: 'Loads',
  purpose: 'what hangs on the house',
  screen: () => import('./loads-stage').then((m) => m.LoadsStage),
  completeness: ({ loads }) => ({
    done: loads.filter(({ basis, legsAssumed }) => basis !== 'typical' && !legsAssumed).length,
    of: loads.length,
  }),
  findables: (plan) => {
    const presence = presences(plan);
    return plan.loads.map((load) => ({
      id: load.id,
      label: load.name,
      detail: `${quantityText(load.runningPowerW, 'W')}, ${presenceWords[presence(load)]}`,
      group: 'Load',
    }));
  },
  shortcuts: {
    group: 'In the table of loads',
    rows: [
      { keys: 'Arrows, Home, End', does: 'Move between cells' },
      { keys: 'Enter, F2 or type', does: 'Edit the cell' },
      { keys: 'Enter / Tab', does: 'Take the value and move down / right' },
      { keys: 'Esc', does: 'Leave the cell as it was; then Tab leaves the table' },
      { keys: 'Space', does: 'Into or out of the backup set' },
      { keys: 'Insert', does: 'New load below' },
      { keys: 'Ctrl D', does: 'Duplicate the load' },
      { keys: 'Delete', does: 'Remove the load' },
      { keys: 'Ctrl V', does: 'Paste rows from a spreadsheet' },
    ],
  },
};
