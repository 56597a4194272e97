import { systemFacts } from '../../electric/index.js';
import { schoolFacts, serviceBackup } from '../../design/index.js';
import { packIdFor, packNames } from '../../rules/index.js';
import type { Block, Missing } from '../document/paper.js';
import type { PacketOf } from './packet-of.js';

/** Site, parties, code, and what is applied for. */
export function sitePart(of: PacketOf): Block[] {
  const { study, company, quantity } = of;
  const { plan, islands } = study;
  const { parties, site, survey, supply } = plan;
  const pack = packNames[packIdFor(plan)];
  const said = (rows: readonly (readonly [string, string])[]) => rows.filter(([, value]) => value !== '');
  const { generator, arrays } = plan.sources;
  return [
    { kind: 'heading', level: 1, text: 'Site and system' },
    {
      kind: 'facts',
      columns: 2,
      rows: said([
        ['Owner', parties.client],
        ['Address', parties.address || site.place],
        ['Utility', parties.utility],
        ['Account with the utility', parties.utilityAccount],
        ['Authority having jurisdiction', parties.authority],
        ['Region', [parties.region, parties.country].filter((one) => one !== '').join(', ')],
        ['Code adopted there', parties.codeEdition || `${pack.edition} (assumed)`],
        ['Judged by', `${pack.name} (recalled; verify against the adopted edition)`],
        ['Contractor', company.name],
        ...company.licences.map(
          ({ kind, number, holder }) => [kind, holder === '' ? number : `${number}, ${holder}`] as const,
        ),
        ['Supply', systemFacts[supply.system].label],
      ]),
    },
    { kind: 'heading', level: 2, text: 'What is applied for' },
    {
      kind: 'table',
      columns: [
        { head: 'System' },
        { head: 'Backs up', wide: true },
        { head: 'Units', wide: true },
        { head: 'Continuous output', align: 'right' },
        { head: 'Energy, nameplate', align: 'right' },
      ],
      rows: islands.map(({ island, stack }) => [
        { text: island.name, tone: 'strong' },
        [
          ...new Set(
            island.services.map(({ id }) => {
              const { school } = serviceBackup(plan, id);
              return school ? schoolFacts[school].label : 'not said yet';
            }),
          ),
        ].join('; '),
        stack?.name ?? 'not chosen yet',
        stack ? quantity(stack.continuousVA, 'VA') : '–',
        stack ? quantity(stack.nameplateWh, 'Wh') : '–',
      ]),
    },
    {
      kind: 'facts',
      rows: said([
        [
          'Solar',
          arrays
            .map(
              ({ name, ratedW, coupling, existing }) =>
                `${name}, ${quantity(ratedW, 'W')} DC, ${coupling === 'ac' ? 'AC-coupled' : 'DC-coupled'}, ${existing ? 'existing' : 'new'}`,
            )
            .join('; '),
        ],
        [
          'Generator',
          generator
            ? `${quantity(generator.powerW, 'W')}, ${generator.start === 'auto' ? 'two-wire start' : 'started by hand at an inlet'}, ${generator.existing ? 'existing' : 'new'}`
            : '',
        ],
      ]),
    },
    { kind: 'heading', level: 2, text: 'Services' },
    {
      kind: 'table',
      columns: [
        { head: 'Service', wide: true },
        { head: 'Rating', align: 'right' },
        { head: 'Meter' },
        { head: 'Available fault current', align: 'right' },
      ],
      rows: survey.services.map(({ name, ratingA, meter, faultCurrentA }) => [
        name,
        ratingA === null ? 'not known' : quantity(ratingA, 'A'),
        meter || '–',
        faultCurrentA === null ? 'not known' : quantity(faultCurrentA, 'A'),
      ]),
    },
    ...(study.wired.graph.assumptions.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'Taken for granted' },
          { kind: 'list' as const, items: study.wired.graph.assumptions.map((one) => of.words(one)) },
        ]
      : []),
  ];
}

/** What a reviewer asks for and nobody has entered. */
export function packetMissing({ study, company }: PacketOf): Missing[] {
  const { parties, survey, lot } = study.plan;
  const brief = (what: string): Missing => ({ what, at: 'brief', place: 'Brief' });
  return [
    ...(parties.client === '' ? [brief('Owner of the house')] : []),
    ...(parties.address === '' ? [brief('Address of the house')] : []),
    ...(parties.utility === '' ? [brief('The utility')] : []),
    ...(parties.authority === '' ? [brief('The authority having jurisdiction')] : []),
    ...(parties.codeEdition === '' ? [brief('The electrical code adopted there')] : []),
    ...(company.name === '' || company.licences.length === 0
      ? [{ what: 'Name and licence of the contractor', at: '/company', place: 'Company sheet' }]
      : []),
    ...survey.services.flatMap(({ name, ratingA, faultCurrentA }): Missing[] => [
      ...(ratingA === null ? [{ what: `Rating of ${name}`, at: 'panels', place: 'Panels' }] : []),
      ...(faultCurrentA === null
        ? [{ what: `Available fault current of ${name}`, at: 'panels', place: 'Panels' }]
        : []),
    ]),
    ...(lot.walls.length === 0 || study.plan.placement.placed.length === 0
      ? [{ what: 'Where the equipment hangs', at: 'placement', place: 'Placement' }]
      : []),
    ...(lot.corners.length < 3
      ? [{ what: 'Outline of the house', at: 'placement', place: 'Placement' }]
      : []),
    ...(study.islands.some(({ stack }) => stack === null)
      ? [{ what: 'Units for the design', at: 'sources', place: 'Sources' }]
      : []),
  ];
}
