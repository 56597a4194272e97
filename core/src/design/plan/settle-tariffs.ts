import type { Plan } from './plan.js';

/** Takes tariffs that are gone off the meters. */
export function settleTariffs<P extends Pick<Plan, 'survey' | 'tariffs'>>(plan: P): P {
  const known = new Set(plan.tariffs.map(({ id }) => id));
  const isLost = ({ tariffId }: { readonly tariffId: string | null }): boolean =>
    tariffId !== null && !known.has(tariffId);
  if (!plan.survey.services.some(isLost)) return plan;
  const services = plan.survey.services.map((service) =>
    isLost(service) ? { ...service, tariffId: null } : service,
  );
  return { ...plan, survey: { ...plan.survey, services } };
}
