import { settingsOf } from '../../design/index.js';
import { dailyEnergyWh, runningPowerVA } from '../../house/index.js';
import type { Block } from '../document/paper.js';
import { fillWords } from '../words/fill-words.js';
import { columnsOf, type ProposalOf, seasonName } from './proposal-of.js';

const mostBiggest = 6;

/** Energy against power, with the figures of this house, and why not everything. */
export function energyPart({ studies, written, words }: ProposalOf): Block[] {
  const [first] = columnsOf(studies);
  if (!first?.island.stack) return [];
  const { study, island } = first;
  const { plan } = study;
  const settings = settingsOf(plan);
  const season = settings.designSeason.value;
  const { evaluation } = island;
  const { stack } = first.island;
  const kept = evaluation.context.backupSet;
  const energy = kept.reduce((sum, load) => sum + dailyEnergyWh(load, season), 0);
  const biggest = plan.loads
    .map((load) => ({ load, wh: dailyEnergyWh(load, season) }))
    .toSorted((a, b) => b.wh - a.wh)
    .slice(0, mostBiggest);
  const usable = evaluation.selected?.energy.usableWh ?? 0;
  return [
    { kind: 'heading', level: 1, text: words.energyPower },
    { kind: 'paragraph', text: words.energyText },
    { kind: 'paragraph', text: words.powerText },
    {
      kind: 'list',
      items: [
        fillWords(words.energyExample, {
          energy: written.quantity(energy, 'Wh'),
          season: seasonName(plan, words, written),
          usable: written.quantity(usable, 'Wh'),
          years: settings.sizeForYear.value,
        }),
        fillWords(words.powerExample, {
          demand: written.quantity(evaluation.power.coincident.powerVA, 'VA'),
          limit: written.quantity(stack.continuousVA, 'VA'),
        }),
      ],
    },
    { kind: 'heading', level: 2, text: words.whyNotAll },
    { kind: 'paragraph', text: words.whyNotAllText },
    {
      kind: 'table',
      columns: [
        { head: words.biggest, wide: true },
        { head: words.perDay, align: 'right' },
        { head: words.whileRuns, align: 'right' },
      ],
      rows: biggest.map(({ load, wh }) => [
        load.name,
        written.quantity(wh, 'Wh'),
        written.quantity(runningPowerVA(load), 'VA'),
      ]),
    },
  ];
}
