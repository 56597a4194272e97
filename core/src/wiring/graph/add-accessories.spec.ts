import { describe, expect, it } from 'vitest';
import { demoPlans, emptyPlacement } from '../../design/index.js';
import { conductorAreaMm2 } from '../../rules/details.js';
import { wiringMaterial } from '../material/wiring-material.js';
import { electrodeSizeAt } from '../sizing/electrode-size-at.js';
import { aWiredHouse, wired } from '../testing/wired.js';

const house = aWiredHouse();
const graphOf = (plan = house) => wired(plan).graph;
const kinds = (plan = house) => graphOf(plan).accessories.map(({ kind, at }) => `${kind} at ${at}`);

describe('what hangs on a wiring and carries none of its power', () => {
  it('is one set of electrodes where the house bonds its neutral, sized by its service conductors', () => {
    const { graph, cables } = wired(house);
    const [electrode, ...more] = graph.accessories;
    expect(more).toEqual([]);
    expect([electrode?.kind, electrode?.isNew]).toEqual(['electrode', false]);
    expect(electrodeSizeAt(graph, cables, electrode!.at)).toBeNull();
    // NEC table 250.66 (2023, recalled): 2/0 copper takes 4 AWG.
    const known = wired({
      ...house,
      survey: {
        ...house.survey,
        panels: house.survey.panels.map((panel) => ({
          ...panel,
          feeder: { ...panel.feeder, conductor: { size: '2/0 AWG', material: 'copper', ratedC: 75 } },
        })),
      },
    });
    expect(electrodeSizeAt(known.graph, known.cables, electrode!.at)).toBe('4 AWG');
  });

  it('is surge protection only where somebody said so', () => {
    for (const surge of [null, false])
      expect(kinds({ ...house, wiring: { ...house.wiring, surge } })).toHaveLength(1);
    expect(kinds({ ...house, wiring: { ...house.wiring, surge: true } })).toContainEqual(
      expect.stringMatching(/^surge at (main|meter):s$/),
    );
  });

  it('is sensors at a service that the isolating device does not stand at, and cables from one to the next', () => {
    expect(kinds().some((kind) => kind.startsWith('sensors'))).toBe(false);
    const farm = demoPlans.find(({ plan }) =>
      plan.backup.services.some(({ school }) => school === 'loads-panel'),
    )!;
    const { accessories, links } = graphOf(farm.plan);
    expect(accessories.filter(({ kind }) => kind === 'sensors')).toHaveLength(1);
    expect(links.map(({ from, to }) => [from.split(':')[0], to.split(':')[0]])).toEqual([
      ['sensors', 'inverter'],
      ['inverter', 'inverter'],
    ]);
  });

  it('begins and ends at things that are there, in every house', () => {
    for (const { plan } of [...demoPlans, { plan: house }]) {
      const { accessories, links, places, parts } = graphOf(plan);
      const there = new Set([...places, ...parts, ...accessories].map(({ id }) => id));
      for (const { at } of accessories) expect(there).toContain(at);
      for (const { from, to } of links) {
        expect(there).toContain(from);
        expect(there).toContain(to);
      }
      // Each inverter is spoken to.
      const inverters = places.filter(({ kind }) => kind === 'inverter').map(({ id }) => id);
      expect(links.map(({ to }) => to)).toEqual(expect.arrayContaining(inverters));
    }
  });

  it('is bought where it is new: sensors by the conductor, cables by the metre beside what they speak to', () => {
    const { plan } = demoPlans.find(({ plan }) =>
      plan.backup.services.some(({ school }) => school === 'loads-panel'),
    )!;
    // Where nobody has said how far it is.
    const unmeasured = { ...plan, placement: emptyPlacement() };
    const control = wiringMaterial(wired(unmeasured), conductorAreaMm2, 0).filter(
      ({ kind }) => kind === 'control',
    );
    expect(control.map(({ name, quantity, unit }) => [name, quantity, unit])).toEqual([
      ['Communication cable', 10, 'm'],
      ['Current sensor', 2, 'count'],
    ]);
  });
});
