import type { Missing, PaperPart } from '../document/paper.js';
import { acceptancePart } from './acceptance-part.js';
import { designsPart } from './designs-part.js';
import { energyPart } from './energy-part.js';
import { notIncludedPart } from './not-included-part.js';
import { pricePart } from './price-part.js';
import type { ProposalOf } from './proposal-of.js';
import { seasonsPart } from './seasons-part.js';
import { wishesPart } from './wishes-part.js';

/** The parts of a proposal: up to three designs side by side, in words a household reads. */
export async function proposal(
  of: ProposalOf,
): Promise<{ readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] }> {
  const { studies, company } = of;
  const { plan } = studies[0]!;
  const { parties } = plan;
  return {
    parts: [
      { id: 'wishes', blocks: wishesPart(of) },
      { id: 'designs', blocks: designsPart(of) },
      { id: 'seasons', blocks: await seasonsPart(of) },
      { id: 'energy-power', blocks: energyPart(of) },
      { id: 'not-included', blocks: notIncludedPart(of) },
      { id: 'price', blocks: pricePart(of) },
      { id: 'acceptance', blocks: acceptancePart(of) },
    ],
    missing: [
      ...(parties.client === '' ? [{ what: 'Whom the proposal is for', at: 'brief', place: 'Brief' }] : []),
      ...(company.name === ''
        ? [{ what: 'Name of the company', at: '/company', place: 'Company sheet' }]
        : []),
      ...(company.validDays === null
        ? [{ what: 'How long a proposal is valid', at: '/company', place: 'Company sheet' }]
        : []),
      ...studies.flatMap(({ name, price, islands }): Missing[] => [
        ...(islands.every(({ stack }) => stack === null)
          ? [{ what: `Units for ${name}`, at: 'sources', place: 'Sources' }]
          : []),
        ...(price === null
          ? [{ what: `The price of ${name}`, at: '/equipment/prices', place: 'Prices' }]
          : price.missing.length > 0
            ? [
                {
                  what: `Prices for ${name}, not in its total: ${price.missing.join(', ')}`,
                  at: '/equipment/prices',
                  place: 'Prices',
                },
              ]
            : []),
      ]),
    ],
  };
}
