import { nameList, placeWord } from '../../base/index.js';
import { circuitText, type Panel } from '../../house/index.js';
import { type Plan, serviceBackup } from '../../design/index.js';
import type { FoundPoint } from './found-point.js';

/** Takes a point where it is open. */
type Open = (isOpen: boolean, key: string, text: string, find: string) => void;

/** What nobody has read off services and panels, and what the papers lack. No margin tells how much it matters. */
export function surveyPoints(plan: Plan): FoundPoint[] {
  const { survey, parties, site, usage } = plan;
  const points: FoundPoint[] = [];
  const open: Open = (isOpen, key, text, find) => {
    if (isOpen) points.push({ key, text, find, others: [] });
  };
  for (const service of survey.services) {
    const { id, name } = service;
    open(
      service.ratingA === null,
      `service.rating.${id}`,
      `${name}: rating not known`,
      'Read the main breaker or the service fuse; the utility knows the rest.',
    );
    open(
      service.faultCurrentA === null,
      `service.fault.${id}`,
      `${name}: available fault current not known`,
      'Ask the utility.',
    );
    const backup = serviceBackup(plan, id);
    open(
      backup.school === null,
      `service.school.${id}`,
      `${name}: nobody has chosen how it is backed up`,
      'Choose it in Backup set, under Wiring.',
    );
    open(
      backup.isolatingDevice === 'at-meter' && backup.utilityConsent === null,
      `service.consent.${id}`,
      `${name}: consent of the utility to a device at the meter is open`,
      'Ask the utility.',
    );
  }
  for (const panel of survey.panels) panelPoints(panel, open);
  open(
    survey.panels.length === 0,
    'survey',
    'No panel has been looked at',
    'Survey the panels: spaces, breakers, legend.',
  );
  open(
    usage.bills.length === 0 && usage.measurement === null,
    'usage',
    'Neither bills nor meter data are there',
    'Ask for twelve bills, or the data of the meter.',
  );
  open(
    site.latitudeDeg === null,
    'site',
    'Where the house stands is not known: weather is a typical one',
    'Enter latitude and longitude in the brief.',
  );
  open(
    parties.authority === '',
    'authority',
    'Authority having jurisdiction is not known',
    'Ask the town or the utility.',
  );
  open(parties.codeEdition === '', 'code', 'Adopted code and edition are not known', 'Ask the authority.');
  open(
    parties.client === '' || parties.address === '',
    'client',
    'Client or address is missing on the papers',
    'Ask the household.',
  );
  open(
    parties.utility === '' || parties.utilityAccount === '',
    'utility',
    'Utility or account is missing on the papers',
    'Read it off a bill.',
  );
  return points;
}

function panelPoints(panel: Panel, open: Open): void {
  const { id, name, circuits } = panel;
  open(
    !panel.surveyed,
    `panel.surveyed.${id}`,
    `${name}: its circuits were made from the loads, nobody has looked`,
    'Read the legend, and say in Panels that it was read.',
  );
  open(
    panel.bonded === null,
    `panel.bond.${id}`,
    `${name}: neutral and ${placeWord('earth')} not looked at`,
    'Look behind the cover: is there a bonding screw, strap or jumper?',
  );
  open(
    panel.busRatingA === null,
    `panel.bus.${id}`,
    `${name}: bus rating not known`,
    'Read the label inside the door.',
  );
  open(
    panel.fedFrom.kind === 'unknown',
    `panel.fed.${id}`,
    `${name}: nobody knows what feeds it`,
    'Follow the feeder.',
  );
  open(
    panel.fedFrom.kind !== 'service' && panel.feeder.conductor === null,
    `panel.feeder.${id}`,
    `${name}: conductor of its feeder not known`,
    'Read it off the sheath or the lugs.',
  );
  const used = circuits.filter(({ use }) => use === 'circuit');
  const unrated = used.filter(({ ratingA }) => ratingA === null);
  open(
    unrated.length > 0,
    `panel.ratings.${id}`,
    `${name}: breaker ratings not known: ${nameList(unrated.map((circuit) => circuitText({ panel, circuit })))}`,
    'Read them off the handles.',
  );
  const unnamed = used.filter((circuit) => circuit.name === '');
  open(
    unnamed.length > 0,
    `panel.names.${id}`,
    `${name}: nobody knows what ${unnamed.length} breakers feed`,
    'Switch them off one by one, or trace them.',
  );
  const wireless = used.filter(({ conductor }) => conductor === null);
  open(
    wireless.length > 0,
    `panel.conductors.${id}`,
    `${name}: conductors of ${wireless.length} circuits not known`,
    'Read them where a circuit moves or is extended.',
  );
}
