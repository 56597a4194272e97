import { nameList } from '../../base/index.js';
import { type House, type Panel, panelFedBy, panelUpstream } from '../../house/index.js';
import { occupiedSpaces } from '../../house/details.js';
import type { Subject } from '../../rules/packs.js';
import { circuitLabel, namedCircuits } from './circuit-texts.js';
import type { Bonds } from './survey-bonds.js';

/** Circuits named before the rest is counted. */
const namedAtMost = 4;

/** What is known of a panel by itself. */
export function panelSubject(house: House, panel: Panel, bonds: Bonds): Subject<'panel'> {
  const { service, breakersA, circuit: feeder } = panelUpstream(house.survey, panel);
  const protecting = [...(panel.mainBreakerA === null ? [] : [panel.mainBreakerA]), ...breakersA];
  const crowded = [
    ...new Set([...occupiedSpaces(panel)].flatMap(([, circuits]) => (circuits.length > 1 ? circuits : []))),
  ];
  const family = panel.family.toLowerCase();
  const strangers =
    family === ''
      ? []
      : panel.circuits.filter((circuit) => circuit.family !== '' && circuit.family.toLowerCase() !== family);
  const idle = panel.circuits.filter(
    ({ id, use, backFeeds }) =>
      use === 'circuit' &&
      !backFeeds &&
      !house.loads.some(({ circuitId }) => circuitId === id) &&
      !panelFedBy(house, id),
  );
  return {
    kind: 'panel',
    keyBefore: `panel.${panel.id}`,
    keyAfter: '',
    name: panel.name,
    about: panel.id,
    facts: {
      name: panel.name,
      spaces: panel.spaces,
      beyond: namedCircuits(panel.circuits.filter(({ spaces }) => spaces.some((one) => one > panel.spaces))),
      crowded: namedCircuits(crowded),
      family: panel.family,
      strangers: namedCircuits(strangers, (circuit) => `${circuitLabel(circuit)} is ${circuit.family}`),
      atService: panel.fedFrom.kind === 'service',
      busA: panel.busRatingA,
      protectingA: protecting.length === 0 ? null : Math.min(...protecting),
      mainA: panel.mainBreakerA,
      serviceA: service?.ratingA ?? null,
      idle: {
        names: nameList(idle.map(circuitLabel), namedAtMost, '; '),
        ids: idle.map(({ id }) => id),
      },
      feeder: namedCircuits(panel.fedFrom.kind === 'circuit' && feeder ? [feeder] : []),
      anyLoad: house.loads.length > 0,
      bonded: panel.bonded,
      behindDisconnect: (service?.mainBreakerA ?? null) !== null,
      surplusBond: bonds.surplus.has(panel),
      bondedPanels: bonds.bondedWith(panel),
      noneBonded: bonds.firstOfNone.has(panel),
    },
  };
}
