import { settingsOf } from '../../design/index.js';
import { mostPowerW } from '../../equipment/index.js';
import type { Block, TableCell } from '../document/paper.js';
import { offFirst } from '../card/off-first.js';
import type { DesignStudy, IslandStudy } from '../study/design-study.js';
import { loadsByLane, namesOf } from '../study/house-facts.js';
import { fillWords } from '../words/fill-words.js';
import { columnsOf, lasting, mostNames, type ProposalOf, seasonName } from './proposal-of.js';

const mostOffFirst = 4;

/** The designs side by side. */
export function designsPart({ studies, written, words }: ProposalOf): Block[] {
  const columns = columnsOf(studies);
  if (columns.length === 0) return [];
  const { plan } = studies[0]!;
  const season = seasonName(plan, words, written);
  const requiredH = settingsOf(plan).requiredRuntimeH.value;
  type Shown = (study: DesignStudy, island: IslandStudy) => TableCell;
  const strong = (text: string): TableCell => ({ text, tone: 'strong' });
  const row = (label: string, shown: Shown): TableCell[] => [
    { text: label, tone: 'soft' },
    ...columns.map(({ study, island }) => shown(study, island)),
  ];
  const names =
    (lane: 'on' | 'auto' | 'hand' | 'dark'): Shown =>
    (study, island) => {
      const loads = loadsByLane(study.plan, island);
      if (lane === 'on' && loads.auto.length + loads.hand.length + loads.dark.length === 0) return words.all;
      return loads[lane].length === 0 ? words.nothing : written.list(namesOf(loads[lane], mostNames));
    };
  const short = columns.flatMap(({ island, name }): string[] => {
    const { outlook } = island;
    if (
      !outlook ||
      island.evaluation.margins.every(({ key, verdict }) => key !== 'runtime' || verdict !== 'fails')
    )
      return [];
    const text = fillWords(words.fallsShort, {
      hours: lasting(written, outlook.nineteenOfTwentyH, outlook.followedH),
      required: written.quantity(requiredH, 'h'),
    });
    return [columns.length > 1 ? `${name}: ${text}` : text];
  });
  const offered = columns.map(({ study, island }) =>
    offFirst(study.plan, island)
      .slice(0, mostOffFirst)
      .map(({ load }) => load.name),
  );
  return [
    { kind: 'heading', level: 1, text: words.designs },
    ...(short.length > 0
      ? [{ kind: 'box' as const, tone: 'caution' as const, title: words.lasts, lines: short }]
      : []),
    {
      kind: 'table',
      columns: [{ head: '' }, ...columns.map(({ name }) => ({ head: name, wide: true }))],
      rows: [
        row(`${words.lasts} (${fillWords(words.lastsNote, { season })})`, (_, { outlook }) =>
          strong(outlook ? lasting(written, outlook.nineteenOfTwentyH, outlook.followedH) : '–'),
        ),
        row(words.usually, (_, { outlook }) =>
          outlook ? lasting(written, outlook.medianH, outlook.followedH) : '–',
        ),
        row(
          `${fillWords(words.chance, { hours: written.quantity(requiredH, 'h') })} (${fillWords(words.chanceNote, { season })})`,
          (_, { outlook }) => (outlook ? written.share(outlook.requiredShare) : '–'),
        ),
        row(`${words.priceShort} (${words.priceShortNote})`, ({ price }) =>
          price ? strong(written.money(price.afterIncentives, price.currency)) : '–',
        ),
        row(words.stores, (_, { stack }) => (stack ? written.quantity(stack.nameplateWh, 'Wh') : '–')),
        row(words.gives, (_, { stack }) => (stack ? written.quantity(mostPowerW(stack), 'W') : '–')),
        row(words.equipment, (_, { stack }) => stack?.name ?? '–'),
        ...(studies.some(({ plan: one }) => one.sources.arrays.length > 0)
          ? [
              row(words.sun, ({ plan: one }) =>
                one.sources.arrays.length === 0
                  ? words.none
                  : written.quantity(
                      one.sources.arrays.reduce((sum, { ratedW }) => sum + ratedW, 0),
                      'W',
                    ),
              ),
            ]
          : []),
        ...(studies.some(({ plan: one }) => one.sources.generator !== null)
          ? [
              row(words.generator, ({ plan: one }) => {
                const { generator } = one.sources;
                if (!generator) return words.none;
                const power = written.quantity(generator.powerW, 'W');
                return fillWords(generator.start === 'auto' ? words.generatorSelf : words.generatorHand, {
                  power,
                });
              }),
            ]
          : []),
        row(words.stays, names('on')),
        ...(columns.some(({ study, island }) => loadsByLane(study.plan, island).auto.length > 0)
          ? [row(words.itself, names('auto'))]
          : []),
        ...(columns.some(({ study, island }) => loadsByLane(study.plan, island).hand.length > 0)
          ? [row(words.byHand, names('hand'))]
          : []),
        row(words.dark, names('dark')),
        ...(offered.some((some) => some.length > 0)
          ? [
              [
                { text: words.offFirst, tone: 'soft' as const },
                ...offered.map((some) =>
                  some.length === 0 ? '–' : fillWords(words.offFirstText, { names: written.list(some) }),
                ),
              ],
            ]
          : []),
      ],
    },
  ];
}
