import { type Island, islandsOf, type Plan, type SolarArray } from '../../design/index.js';
import { type Load, panelUpstream, type Service } from '../../house/index.js';

/** What goes through one meter of the utility. */
export interface Meter {
  /** null = no service has been surveyed: the house has one meter nobody knows. */
  readonly service: Service | null;
  readonly name: string;
  readonly loads: readonly Load[];
  readonly arrays: readonly SolarArray[];
  /** Islands whose first service this is: their stacks work behind this meter. */
  readonly islands: readonly Island[];
}

/** The meters of a house with what hangs on each; what nobody has placed is on the first. */
export function metersOf(plan: Plan): Meter[] {
  const { survey } = plan;
  const islands = islandsOf(plan);
  if (survey.services.length === 0)
    return [{ service: null, name: 'The house', loads: plan.loads, arrays: plan.sources.arrays, islands }];
  const serviceOf = new Map<string, string>();
  for (const panel of survey.panels) {
    const { service } = panelUpstream(survey, panel);
    if (service) for (const { id } of panel.circuits) serviceOf.set(id, service.id);
  }
  const first = survey.services[0]!.id;
  return survey.services.map((service): Meter => {
    const isHere = ({ circuitId }: { readonly circuitId: string | null }): boolean =>
      ((circuitId === null ? undefined : serviceOf.get(circuitId)) ?? first) === service.id;
    return {
      service,
      name: service.name,
      loads: plan.loads.filter(isHere),
      arrays: plan.sources.arrays.filter(isHere),
      islands: islands.filter(({ services }) => (services[0]?.id ?? first) === service.id),
    };
  });
}
