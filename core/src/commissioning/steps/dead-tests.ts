import { derived, given, quantityText } from '../../base/index.js';
import { resistanceOhmPerM } from '../../rules/details.js';
import type { SizedCable } from '../../wiring/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { question } from './question.js';
import type { Step } from './step.js';

/** Probes, contacts and a conductor of another temperature, Ω and times (common practice, no source). */
const contactsOhm = 0.1;
const continuityTimes = 1.3;
/** IEC 60364-6, Table 6A; recalled. */
const insulationOhm = 1e6;

/** The conductor that protects: its own size where one is derived, else that of the cable. */
function protectiveOhm({ cable, conductor, earth }: SizedCable): number | null {
  const size = earth ?? conductor?.size;
  if (!size) return null;
  const material = earth ? 'copper' : (conductor?.material ?? 'copper');
  return resistanceOhmPerM({ size, material }) * cable.lengthM.value;
}

function continuity(sized: SizedCable, units: DesignInHand['plan']['site']['units']): Step {
  const { part, cable } = sized;
  const ohm = protectiveOhm(sized);
  const most = ohm === null ? 1 : ohm * continuityTimes + contactsOhm;
  return {
    id: `continuity:${part.id}`,
    phase: 'dead',
    title: `Protective conductor: ${part.name}`,
    how: 'From end to end with a low-resistance ohmmeter, its leads nulled.',
    why: 'A fault trips the breaker only through a conductor that is whole.',
    care: 'dead',
    asks: {
      kind: 'measure',
      unit: 'Ω',
      predicted:
        ohm === null
          ? null
          : derived({
              key: `continuity:${part.id}`,
              label: 'Resistance of the protective conductor, warm',
              value: ohm,
              unit: 'Ω',
              formula: '{length} × resistance of its size',
              inputs: {
                length: given({
                  key: 'length',
                  label: `Length of ${part.name}`,
                  value: cable.lengthM.value,
                  unit: 'm',
                  source: cable.lengthM.assumed
                    ? { kind: 'assumed', why: cable.lengthM.why }
                    : { kind: 'user' },
                }),
              },
              assumptions: [`${quantityText(cable.lengthM.value, 'm', units)} of it, warm`],
            }),
      least: null,
      most,
      bounds: `${continuityTimes} times the predicted and ${contactsOhm} Ω for contacts (common practice, no source)`,
      causes: [
        {
          from: most,
          to: 10 * most,
          text: 'A screw that is not tightened, or a longer way than the drawing has',
        },
        { from: 10 * most, to: Infinity, text: 'It is not connected at one of its ends' },
      ],
    },
    makeSafe: `Leave ${part.name} without power until its protective conductor is whole.`,
    probe: null,
  };
}

const insulation = ({ part }: SizedCable): Step => ({
  id: `insulation:${part.id}`,
  phase: 'dead',
  title: `Insulation: ${part.name}`,
  how: 'Conductors against the protective conductor at 500 V, what is electronic disconnected.',
  why: 'What was damaged while it was pulled in shows here, and not as a fire.',
  care: 'dead',
  asks: {
    kind: 'measure',
    unit: 'Ω',
    predicted: null,
    least: insulationOhm,
    most: null,
    bounds: 'IEC 60364-6, Table 6A: 1 MΩ at 500 V; recalled',
    causes: [
      { from: 0, to: 1e4, text: 'Conductors touch, or a load or a surge protector is still connected' },
      { from: 1e4, to: insulationOhm, text: 'Moisture, or a sheath that was cut' },
    ],
  },
  makeSafe: `Leave ${part.name} without power, and find where it is damaged.`,
  probe: null,
});

/** What is tested before anything is switched on: every new cable, every box that was worked in, and the bonds. */
export function deadTests({ plan, wired }: DesignInHand): Step[] {
  const { graph, cables } = wired;
  const fresh = [...cables.values()].filter(({ cable }) => cable.isNew);
  const placeOf = new Map(graph.places.map((place) => [place.id, place]));
  const boxes = new Map(
    fresh.flatMap(({ part }) =>
      [part.from, part.to].flatMap((id) => {
        const place = placeOf.get(id);
        return place && place.kind !== 'grid' && place.kind !== 'meter'
          ? [[place.enclosure, place] as const]
          : [];
      }),
    ),
  );
  const bonds = new Map(graph.bonds.map((bond) => [bond.group, bond]));
  return [
    ...fresh.map((sized) => continuity(sized, plan.site.units)),
    ...fresh.filter(({ cable }) => cable.use !== 'battery').map(insulation),
    ...[...boxes].flatMap(([enclosure, { name }]) => [
      question('dead', {
        id: `polarity:${enclosure}`,
        title: `Polarity, order of phases: ${name}`,
        how: 'Conductor by conductor from one end to the other, by continuity.',
        why: 'A neutral on a leg puts the leg’s voltage on everything that hangs on it.',
        causes: ['Two conductors are exchanged at one end'],
        care: 'dead',
        makeSafe: `Leave ${name} without power until its conductors are where they belong.`,
      }),
      question('dead', {
        id: `torque:${enclosure}`,
        title: `Torque marks: ${name}`,
        how: 'With a torque tool to what the equipment says, each lug marked across its screw.',
        why: 'A lug that is not tight warms until it burns.',
        causes: ['A lug has no mark, or the mark has moved'],
        care: 'dead',
      }),
    ]),
    ...[...bonds.values()].map(({ group, name }) =>
      question('dead', {
        id: `bond:${group}`,
        title: `Bonded here and nowhere else: ${name}`,
        how: 'Lift the neutral there: between neutral and earth nothing conducts any more. Put it back.',
        why: 'Two bonds put the neutral’s current on earth; none leaves a fault without a way back.',
        causes: [
          'A second bond screw or strap in a panel behind it',
          'The bond of the island closes while the grid is there',
        ],
        care: 'dead',
        makeSafe: 'Find the second bond before anything is switched on.',
      }),
    ),
  ];
}
