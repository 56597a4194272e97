import type { Plan } from '@levamen/core/design';

/** How far a stage is filled in. */
export interface Completeness {
  readonly done: number;
  readonly of: number;
}

export interface Stage {
  readonly path: string;
  readonly name: string;
  readonly purpose: string;
  readonly completeness: (plan: Plan) => Completeness;
}

const count = (said: readonly boolean[]): Completeness => ({
  done: said.filter(Boolean).length,
  of: said.length,
});

/** The stages that work, in the order of the job. Digits jump to them. */
export const stages: readonly Stage[] = [
  {
    path: 'brief',
    name: 'Brief',
    purpose: 'what the household wants',
    completeness: ({ brief, site, supply }) =>
      count([
        brief.requiredRuntimeH !== null,
        brief.designSeason !== null,
        brief.sizeForYear !== null,
        brief.batteryTemperatureC !== null,
        brief.transferGapToleranceMs !== null,
        brief.handsOn !== null,
        site.latitudeDeg !== null,
        supply.serviceRatingA !== null,
      ]),
  },
  {
    path: 'usage',
    name: 'Usage',
    purpose: 'bills, meter data, outages, live',
    completeness: ({ usage }) =>
      count([
        usage.bills.length > 0,
        usage.measurement !== null,
        usage.outages.length > 0 || usage.reliability !== null,
      ]),
  },
  {
    path: 'panels',
    name: 'Panels',
    purpose: 'services, panels and circuits',
    completeness: ({ survey, loads }) => ({
      done: loads.filter(({ circuitId }) => circuitId !== null).length,
      of: survey.panels.length === 0 ? 0 : loads.length,
    }),
  },
  {
    path: 'loads',
    name: 'Loads',
    purpose: 'what hangs on the house',
    completeness: ({ loads }) => ({
      done: loads.filter(({ basis, legsAssumed }) => basis !== 'typical' && !legsAssumed).length,
      of: loads.length,
    }),
  },
  {
    path: 'backup',
    name: 'Backup set',
    purpose: 'which circuits stay on, by what wiring',
    completeness: ({ survey, backup }) =>
      count(
        survey.services.map(({ id }) =>
          backup.services.some(({ serviceId, school }) => serviceId === id && school !== null),
        ),
      ),
  },
  {
    path: 'sources',
    name: 'Sources',
    purpose: 'battery and inverter',
    completeness: ({ equipment }) => count([equipment.stacks.length > 0]),
  },
  {
    path: 'outage',
    name: 'Outage',
    purpose: 'played through: weather, sun, generator, chances',
    completeness: ({ outage, sources }) =>
      count([
        outage.climateId !== null || outage.weatherId !== null,
        sources.arrays.length > 0 || sources.generator !== null,
        outage.startCharge !== null,
      ]),
  },
];
