import { groupBy } from '../../base/index.js';
import { type Circuit, circuitLegs, type House, type Panel } from '../../house/index.js';
import type { Subject } from '../../rules/packs.js';
import { namedCircuits } from './circuit-texts.js';

/** Neutrals of a panel that circuits are marked as sharing. */
export function neutralSubjects({ supply }: House, panel: Panel): Subject<'neutral'>[] {
  const groups = groupBy(
    panel.circuits.filter(({ neutralGroup }) => neutralGroup !== ''),
    ({ neutralGroup }: Circuit) => neutralGroup,
  );
  return [...groups].map(([mark, circuits]) => {
    const legs = circuits.flatMap((circuit) => circuitLegs(panel, circuit, supply.system));
    return {
      kind: 'neutral',
      keyBefore: `panel.${panel.id}`,
      keyAfter: mark,
      name: `Neutral ${mark} of ${panel.name}`,
      about: panel.id,
      facts: {
        mark,
        circuits: namedCircuits(circuits),
        sameLeg: new Set(legs).size < legs.length,
        opensTogether: circuits.every(({ handleTie, spaces }) => handleTie || spaces.length > 1),
      },
    };
  });
}
