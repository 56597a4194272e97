import { systemFacts } from '../../electric/index.js';
import { packIdFor } from '../../rules/index.js';
import type { Block } from '../document/paper.js';
import type { PacketOf } from './packet-of.js';

/** Up to so much on a phase a source is notified after it is connected; above, it is applied for (Engineering Recommendations G98, G99; recalled), A. */
const notifiedUpToA = 16;

/** What the forms of the utility ask for, field by field, to be copied. */
export function utilityPart(of: PacketOf): Block[] {
  const { study, company, quantity } = of;
  const { plan, islands } = study;
  const { parties, survey, supply } = plan;
  const { legVoltageV } = systemFacts[supply.system];
  const stacks = islands.flatMap(({ stack }) => stack ?? []);
  if (stacks.length === 0) return [];
  const place = packIdFor(plan);
  const totalVA = stacks.reduce((sum, { continuousVA }) => sum + continuousVA, 0);
  const arrays = plan.sources.arrays;
  const arrayW = arrays.reduce((sum, { ratedW }) => sum + ratedW, 0);
  const phaseA = Math.max(...stacks.map(({ perLegVA }) => perLegVA / legVoltageV));
  const nameplate = quantity(
    stacks.reduce((sum, { nameplateWh }) => sum + nameplateWh, 0),
    'Wh',
  );
  const units = stacks.map(({ name }) => name).join('; ');
  const customer: (readonly [string, string])[] = [
    ['Customer', parties.client],
    ['Address of supply', parties.address],
    [place === 'uk' ? 'MPAN' : place === 'au-nz' ? 'NMI or ICP' : 'Account', parties.utilityAccount],
    [
      'Meter',
      survey.services
        .map(({ meter }) => meter)
        .filter((one) => one !== '')
        .join(', '),
    ],
    ['Installer', company.name],
    ['Telephone, mail', [company.phone, company.mail].filter((one) => one !== '').join(', ')],
    ...company.licences.map(({ kind, number }) => [kind, number] as const),
  ];
  const plant: (readonly [string, string])[] = [
    ['Inverters and storage', units],
    ['Storage, nameplate', nameplate],
    ['Rated output, AC', quantity(totalVA, 'VA')],
    ['Solar, DC', arrayW > 0 ? quantity(arrayW, 'W') : 'none'],
    ['Supply', systemFacts[supply.system].label],
    [
      'Transfer gap',
      stacks
        .map(({ transferGapMs }) => (transferGapMs === null ? 'not stated' : quantity(transferGapMs, 'ms')))
        .join('; '),
    ],
    ['Isolated from the grid in an outage', 'automatically, by the isolating device on the one-line drawing'],
  ];
  const fault = survey.services
    .map(({ faultCurrentA }) => (faultCurrentA === null ? 'not known' : quantity(faultCurrentA, 'A')))
    .join('; ');
  const byPlace = (): {
    readonly title: string;
    readonly rows: (readonly [string, string])[];
    readonly note: string;
  } => {
    switch (place) {
      case 'us-2023':
      case 'us-2020':
        return {
          title: 'Interconnection application, United States',
          rows: [
            [
              'Service',
              survey.services
                .map(
                  ({ name, ratingA }) =>
                    `${name}, ${ratingA === null ? 'rating not known' : quantity(ratingA, 'A')}`,
                )
                .join('; '),
            ],
            ['Available fault current', fault],
            [
              'Point of connection',
              study.wired.busbars.map(({ place: bus }) => bus.name).join('; ') ||
                'ahead of the service disconnect, or none',
            ],
            ['Export', arrayW > 0 ? 'solar exports; storage as the tariff allows' : 'no export is intended'],
            ['Enters service after', '300 s of steady grid (IEEE 1547-2018, default; recalled)'],
            [
              'Disconnect for the utility',
              of.safety.disconnects
                .map(({ name }) => name)
                .slice(0, 3)
                .join('; '),
            ],
          ],
          note: 'Listing of the inverter (UL 1741) and the profile the utility asks for are on its data sheet and in the commissioning record.',
        };
      case 'uk':
        return {
          title: `${phaseA <= notifiedUpToA ? 'Notification' : 'Application'}, Engineering Recommendation ${phaseA <= notifiedUpToA ? 'G98' : 'G99'}`,
          rows: [
            [
              'Current of one phase',
              `${phaseA.toFixed(1)} A: ${phaseA <= notifiedUpToA ? 'up to' : 'above'} ${notifiedUpToA} A a phase`,
            ],
            [
              'Procedure',
              phaseA <= notifiedUpToA
                ? 'connect and notify within 28 days, unless several houses are fitted in the same streets'
                : 'apply first; connect once the network operator agrees',
            ],
            [
              'Existing generation on the site',
              arrays.some(({ existing }) => existing)
                ? quantity(
                    arrays.filter(({ existing }) => existing).reduce((sum, { ratedW }) => sum + ratedW, 0),
                    'W',
                  )
                : 'none',
            ],
            ['Prospective fault current', fault],
          ],
          note: 'Recalled from Engineering Recommendations G98 and G99; verify against the issue in force and the network operator’s own form.',
        };
      case 'au-nz':
        return {
          title: 'Network application, Australia and New Zealand',
          rows: [
            [
              'Inverter energy system, a phase',
              quantity(Math.max(...stacks.map(({ perLegVA }) => perLegVA)), 'VA'),
            ],
            ['Export limit asked for', arrayW > 0 ? 'as the network sets' : '0'],
            ['Region setting of AS/NZS 4777.2', 'as the network names it (A, B, C or New Zealand)'],
            ['Prospective fault current', fault],
          ],
          note: 'Recalled from AS/NZS 4777.1 and service rules; verify against the network’s own form.',
        };
      case 'iec':
        return {
          title: 'Application to the network operator',
          rows: [
            ['Current of one phase', `${phaseA.toFixed(1)} A`],
            ['Prospective fault current', fault],
            ['Export', arrayW > 0 ? 'solar exports' : 'none is intended'],
          ],
          note: 'EN 50549-1 and the operator’s own rules decide; verify there.',
        };
    }
  };
  const { title, rows, note } = byPlace();
  const filled = (all: readonly (readonly [string, string])[]) =>
    all.map(([label, value]) => [label, value === '' ? '–' : value] as const);
  return [
    { kind: 'heading', level: 1, text: title },
    { kind: 'facts', rows: filled(customer) },
    { kind: 'heading', level: 2, text: 'Plant' },
    { kind: 'facts', rows: filled([...plant, ...rows]) },
    { kind: 'paragraph', tone: 'soft', text: note },
  ];
}
