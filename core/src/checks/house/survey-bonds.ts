import { groupBy } from '../../base/index.js';
import { type House, type Panel, panelUpstream } from '../../house/index.js';

/** Where neutral and earth meet, service by service. */
export interface Bonds {
  /** Panels bonded below another bond. */
  readonly surplus: ReadonlySet<Panel>;
  /** The first panel of each service of which every panel is entered as not bonded. */
  readonly firstOfNone: ReadonlySet<Panel>;
  /** Names of the bonded panels of the service of a panel. */
  readonly bondedWith: (panel: Panel) => string;
}

/** Neutral and earth may meet in one place of a service only; two mains behind one meter may each be bonded: each is a service disconnect of its own. */
export function surveyBonds({ survey }: Pick<House, 'survey'>): Bonds {
  const serviceOf = (panel: Panel): string => panelUpstream(survey, panel).service?.id ?? '';
  const byService = groupBy(survey.panels, serviceOf);
  const surplus = new Set<Panel>();
  const firstOfNone = new Set<Panel>();
  for (const [serviceId, panels] of byService) {
    const bonded = panels.filter((panel) => panel.bonded === true);
    const below = bonded.filter(({ fedFrom }) => fedFrom.kind !== 'service');
    if (bonded.length > 1) for (const panel of below) surplus.add(panel);
    if (serviceId !== '' && panels.every((panel) => panel.bonded === false)) firstOfNone.add(panels[0]!);
  }
  return {
    surplus,
    firstOfNone,
    bondedWith: (panel) =>
      (byService.get(serviceOf(panel)) ?? [])
        .filter((one) => one.bonded === true)
        .map(({ name }) => name)
        .join(' and '),
  };
}
