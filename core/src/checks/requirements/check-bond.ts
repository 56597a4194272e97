import { placeWord } from '../../base/index.js';
import { coversOf } from '../../design/index.js';
import { type Report, type Case, list } from './case.js';

const earth = placeWord('earth');

export function checkBond({ said, panels, service }: Case, report: Report): void {
  const covers = coversOf(said);
  const bonded = panels.filter((panel) => panel.bonded === true);
  const where = said.bondWhileIslanded;
  if (where === null) {
    report(
      'bond',
      'consider',
      `Not settled where neutral and ${earth} are bonded while islanded`,
      'Exactly one bond must exist in every operating state.',
      covers === 'service'
        ? 'Choose the place: the service panel behind the device, the device itself, or the inverter.'
        : 'As long as the neutral is not switched, the bond at the service serves the island too.',
    );
    return;
  }
  const names = list(bonded.map(({ name }) => name));
  const twice = where !== 'service' && bonded.length > 0;
  const lost = where === 'service' && covers === 'service' && bonded.length === 0;
  const unseen = panels.filter((panel) => panel.bonded === null);
  if (lost && unseen.length > 0) {
    report(
      'bond',
      'consider',
      `Nobody has looked yet where neutral and ${earth} are bonded`,
      `The island would rely on a bond in ${list(unseen.map(({ name }) => name))}; nothing is entered there.`,
      `Look in the panel, and enter in Panels whether neutral and ${earth} are bonded there.`,
    );
    return;
  }
  report(
    'bond',
    twice || lost ? 'must-fix' : 'fine',
    twice
      ? `Two bonds of neutral and ${earth} while islanded`
      : lost
        ? 'The only bond stays on the utility side'
        : `One bond of neutral and ${earth} while islanded`,
    twice
      ? `${names} ${bonded.length === 1 ? 'is' : 'are'} bonded, and the ${where === 'inverter' ? 'inverter' : 'isolating device'} bonds as well.`
      : lost
        ? `No panel of ${service.name} is bonded; once the device opens, the island has no bond.`
        : where === 'service'
          ? 'The bond at the service stays connected.'
          : 'It closes as the island forms and opens before the grid returns.',
    twice
      ? `Separate neutrals and ${placeWord('earths')} there and move the ${placeWord('main-earth-conductor')}, or bond at the service only.`
      : `Use a bond relay in the isolating device or the inverter, and the ${placeWord('earth-electrode')} of the house.`,
  );
}
