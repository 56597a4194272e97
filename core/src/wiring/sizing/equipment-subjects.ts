import { panelUpstream } from '../../house/index.js';
import { coversOf, type Plan, serviceBackup } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';
import type { WiringGraph } from '../graph/wiring-graph.js';

/** Services with their equipment: what a rebuilt one must have today. */
export const equipmentSubjects = (plan: Plan, { sources }: WiringGraph): Subject<'equipment'>[] =>
  plan.survey.services.map(({ id, name }) => ({
    kind: 'equipment',
    keyBefore: `equipment:${id}`,
    keyAfter: '',
    name,
    about: `meter:${id}`,
    facts: {
      service: name,
      isWorkedOn: coversOf(serviceBackup(plan, id)) === 'service',
      hasSurge: plan.wiring.surge,
      hasEmergency: plan.survey.panels.some(
        (panel) =>
          panelUpstream(plan.survey, panel).service?.id === id &&
          panel.between.some(({ kind }) => kind === 'emergency-disconnect'),
      ),
      hasStorage: sources.some(({ kind }) => kind === 'inverter'),
    },
  }));
