import { quantityText } from '../../base/index.js';
import { packIdFor, packNames } from '../../rules/index.js';
import type { DesignInHand } from './design-in-hand.js';
import { question } from './question.js';
import type { Step } from './step.js';

const percent = (share: number): string => quantityText(share, 'share');

/** What is set in inverters, managers and shed devices, with the values of the design. */
export function settingsToSet({ plan, islands }: DesignInHand): Step[] {
  const pack = packNames[packIdFor(plan)];
  const { dailyUse, backup, sources } = plan;
  const { generator, arrays } = sources;
  const circuits = new Map(
    plan.survey.panels.flatMap(({ circuits: all }) => all.map((one) => [one.id, one.name])),
  );
  const shed = backup.lanes.flatMap(({ circuitId, lane, shed: by }) =>
    lane === 'auto' && by ? [{ name: circuits.get(circuitId) ?? circuitId, circuitId, by }] : [],
  );
  const units = islands.flatMap(({ island, stack }) => (stack ? [{ island, stack }] : []));
  return [
    ...units.map(({ island }) =>
      question('settings', {
        id: `profile:${island.id}`,
        title: `Grid profile of the place (${pack.place}): ${island.name}`,
        how: 'Country, voltage and frequency of every inverter, solar ones too; write its name into the note.',
        why: 'A wrong profile leaves the grid too late, or comes back too early.',
        causes: ['It was never set, or was set back by an update'],
        makeSafe: 'Leave it off the grid until the profile is set.',
      }),
    ),
    ...units.map(({ island }) =>
      question('settings', {
        id: `reserve:${island.id}`,
        title: `Held back for outages${dailyUse.heldBack === null ? '' : `: ${percent(dailyUse.heldBack)}`}, ${island.name}`,
        how: 'The reserve, and how far down the battery may go in an outage, as the design has them; write both into the note.',
        why: 'What is used day by day is not there when the grid goes.',
      }),
    ),
    ...(arrays.length > 0
      ? [
          question('settings', {
            id: 'curtailment',
            title: 'Solar backs off by frequency when the battery is full',
            how: 'Each solar inverter on the island is set to lower its power as the frequency rises.',
            why: 'Sun that nobody takes drives the island’s voltage up until it trips.',
            causes: ['A solar inverter of a profile without it'],
          }),
        ]
      : []),
    ...shed.map(({ name, circuitId, by }) =>
      question('settings', {
        id: `shed:${circuitId}`,
        title: `${name} is shed ${
          by.when === 'outage'
            ? 'for the whole outage'
            : by.when === 'charge'
              ? `below ${percent(by.belowCharge)} charge`
              : 'where there is no room for it'
        }`,
        how: 'As its device shows it.',
        why: 'The hours and the power of the design count on it.',
      }),
    ),
    ...(generator?.start === 'auto'
      ? [
          question('settings', {
            id: `generator:${generator.id}`,
            title: `Generator starts below ${percent(generator.startBelow)}, stops above ${percent(generator.stopAbove)}`,
            how: 'In the inverter or its manager; quiet hours as the design has them.',
            why: 'Started too late, it comes when there is nothing left to start it with.',
          }),
        ]
      : []),
    question('settings', {
      id: 'exports',
      title: `Into the grid out of the battery: ${dailyUse.sendsOut === true ? 'yes' : 'no'}; charging from the grid: ${dailyUse.gridCharging === false ? 'no' : 'yes'}`,
      how: 'As the utility allows it, and as the design has it.',
      why: 'The agreement with the utility is held to.',
    }),
  ];
}
