import { laneOfCircuits } from '@levamen/core/design';
import { circuitsById, spacesText } from '@levamen/core/house';
import { countOf, type Stage } from '../../shell/stage';
import { laneFacts } from './lane-facts';

export const backupStage: Stage = {
  path: 'backup',
  name: 'Backup set',
  purpose: 'which circuits stay on, by what wiring',
  screen: () => import('./backup-stage').then((m) => m.BackupStage),
  completeness: ({ survey, backup }) =>
    countOf(
      survey.services.map(({ id }) =>
        backup.services.some(({ serviceId, school }) => serviceId === id && school !== null),
      ),
    ),
  findables: (plan) => {
    const laneOf = laneOfCircuits(plan);
    return [...circuitsById(plan.survey).values()]
      .filter(({ circuit }) => circuit.use === 'circuit')
      .map(({ circuit, panel }) => ({
        id: circuit.id,
        label: `${circuit.name || spacesText(circuit)} on the bench`,
        detail: `${panel.name}, ${laneFacts[laneOf(circuit.id).lane].title.toLowerCase()}`,
        group: 'Lane',
      }));
  },
  shortcuts: {
    group: 'On the bench of the backup set',
    rows: [
      { keys: 'Arrows, Home, End', does: 'Walk along the circuits' },
      { keys: 'Shift and arrows, Space, Ctrl A', does: 'Choose several' },
      { keys: 'O S H D', does: 'Stays on, shed by a device, by hand, stays dark' },
      { keys: 'Alt and arrows', does: 'To the lane above or below' },
    ],
  },
};
