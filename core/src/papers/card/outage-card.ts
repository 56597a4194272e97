import { type Load, runningPowerVA } from '../../house/index.js';
import { settingsOf, usualReturnMin } from '../../design/index.js';
import { gapEffects } from '../../study/details.js';
import { safetyOf } from '../../wiring/index.js';
import type { CompanySheet } from '../company/company-sheet.schema.js';
import type { Block, Missing, PaperPart } from '../document/paper.js';
import type { DesignStudy, IslandStudy } from '../study/design-study.js';
import { loadsByLane, namesOf } from '../study/house-facts.js';
import { cardWords, type CardWords } from '../words/card-words.js';
import { fillWords } from '../words/fill-words.js';
import type { InLanguage } from '../words/in-language.js';
import { cardCharges, type ChargeHours, chargeHours } from './charge-hours.js';
import { offFirst } from './off-first.js';

/** Names on a card: more are not read in the dark. */
const mostNames = 14;
const mostOffFirst = 5;
const mostHeavy = 3;

/** What stands in the left column of a card; what is not named here or above the columns stands in the right one. */
const leftParts: readonly string[] = ['on', 'off-first'];

/** The parts of a card on its page: the hours above, then two columns, the emergency below. */
export function cardBlocks(parts: readonly PaperPart[]): Block[] {
  const islands: PaperPart[][] = [];
  for (const part of parts) {
    if (part.id === 'emergency') continue;
    const last = islands.at(-1);
    if (!last || last.some(({ id }) => id === part.id)) islands.push([part]);
    else last.push(part);
  }
  const blocksOf = (some: readonly PaperPart[]): Block[] => some.flatMap(({ blocks }) => blocks);
  return [
    ...islands.flatMap((island): Block[] => [
      ...blocksOf(island.filter(({ id }) => id === 'hours')),
      {
        kind: 'columns',
        left: blocksOf(island.filter(({ id }) => leftParts.includes(id))),
        right: blocksOf(island.filter(({ id }) => id !== 'hours' && !leftParts.includes(id))),
      },
    ]),
    ...blocksOf(parts.filter(({ id }) => id === 'emergency')),
  ];
}

/** The parts of the household's outage card. */
export function outageCard(
  { plan, wired, islands }: DesignStudy,
  company: CompanySheet,
  written: InLanguage,
): { readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] } {
  const words = cardWords[written.language];
  const parts = islands.flatMap((island): PaperPart[] => {
    const several = islands.length > 1;
    const head: Block[] = several ? [{ kind: 'heading', level: 1, text: island.island.name }] : [];
    const lasting = chargeHours(plan, island);
    return [
      { id: 'hours', blocks: [...head, ...hoursBlocks(lasting, island, words, written, plan)] },
      { id: 'on', blocks: onBlocks(plan, island, words, written) },
      { id: 'off-first', blocks: offFirstBlocks(plan, island, words, written) },
      { id: 'trip', blocks: tripBlocks(plan, island, words, written) },
      { id: 'return', blocks: backBlocks(plan, island, words, written) },
    ];
  });
  return {
    parts: [...parts, { id: 'emergency', blocks: emergencyBlocks() }],
    missing: [
      ...(company.emergencyPhone === ''
        ? [
            {
              what: 'Whom the household calls when something is wrong',
              at: '/company',
              place: 'Company sheet',
            },
          ]
        : []),
      ...(islands.some(({ stack }) => stack === null)
        ? [{ what: 'Units for the design', at: 'sources', place: 'Sources' }]
        : []),
    ],
  };

  function emergencyBlocks(): Block[] {
    const { disconnects } = safetyOf(plan, wired);
    const kept = disconnects.filter(({ cableM }) => cableM !== null).map(({ name }) => name);
    const lines = [
      words.fire,
      kept.length > 0
        ? fillWords(words.shutDown, { names: written.list(kept.slice(0, 4)) })
        : words.shutDownNone,
      words.stillLive,
      company.emergencyPhone === ''
        ? words.callUnknown
        : fillWords(words.call, { phone: company.emergencyPhone }),
    ];
    return [
      {
        kind: 'columns',
        left: [{ kind: 'box', tone: 'caution', title: words.emergency, lines }],
        right: [
          {
            kind: 'box',
            tone: 'note',
            title: words.never,
            lines: [
              words.neverPlug,
              words.neverCover,
              ...(plan.loads.some(({ kind }) => kind === 'vehicle') ? [words.neverCharge] : []),
            ],
          },
        ],
      },
    ];
  }
}

function hoursBlocks(
  lasting: readonly ChargeHours[],
  { outlook }: IslandStudy,
  words: CardWords,
  written: InLanguage,
  plan: DesignStudy['plan'],
): Block[] {
  if (lasting.length === 0 || !outlook) return [];
  const { followedH } = outlook;
  const hours = (value: number): string => {
    const most = written.quantity(Math.min(value, followedH), 'h');
    return value >= followedH - 1e-6 ? fillWords(words.hoursMore, { hours: most }) : most;
  };
  const columns = lasting.flatMap((set) => [
    { set, sun: false },
    ...(set.withSun ? [{ set, sun: true }] : []),
  ]);
  const settings = settingsOf(plan);
  const nameOf = ({ of, meanW }: ChargeHours): string =>
    `${of === 'essentials' ? words.essentialsOnly : words.everything} (${fillWords(words.about, { power: written.quantity(meanW, 'W') })})`;
  return [
    { kind: 'heading', level: 2, text: words.hours },
    {
      kind: 'table',
      size: 'large',
      columns: [
        { head: words.charge },
        ...columns.map(({ set, sun }) => ({
          head: `${nameOf(set)}, ${sun ? words.withSun : words.noSun}`,
          align: 'right' as const,
          wide: true,
        })),
      ],
      rows: cardCharges.map((charge, row) => [
        { text: written.share(charge), tone: 'strong' as const },
        ...columns.map(({ set, sun }) => hours((sun ? set.withSun! : set.noSun)[row]!.nineteenOfTwentyH)),
      ]),
      note: fillWords(words.hoursNote, {
        season: words.seasons[settings.designSeason.value],
        years: settings.sizeForYear.value,
      }),
    },
  ];
}

function onBlocks(
  plan: DesignStudy['plan'],
  island: IslandStudy,
  words: CardWords,
  written: InLanguage,
): Block[] {
  const loads = loadsByLane(plan, island);
  const named = (some: readonly Load[]): string =>
    some.length === 0 ? words.none : written.list(namesOf(some, mostNames));
  const rows = [
    [words.runs, named(loads.on)],
    [words.shedItself, named(loads.auto)],
    [words.byHand, named(loads.hand)],
    [words.dark, named(loads.dark)],
  ] as const;
  return [
    { kind: 'heading', level: 2, text: words.on },
    { kind: 'facts', rows: rows.filter(([, text], index) => index === 0 || text !== words.none) },
  ];
}

function offFirstBlocks(
  plan: DesignStudy['plan'],
  island: IslandStudy,
  words: CardWords,
  written: InLanguage,
): Block[] {
  const first = offFirst(plan, island).slice(0, mostOffFirst);
  const must = island.evaluation.context.backupSet.filter(({ tier }) => tier === 'must');
  if (first.length === 0) return [];
  const hasSun = plan.sources.arrays.length > 0;
  return [
    { kind: 'heading', level: 2, text: words.offFirst },
    { kind: 'paragraph', text: words.offFirstNote },
    {
      kind: 'list',
      items: first.map(({ load, gainsH }) =>
        fillWords(words.gains, { name: load.name, hours: written.quantity(gainsH, 'h') }),
      ),
    },
    ...(hasSun
      ? [
          {
            kind: 'paragraph' as const,
            text: fillWords(words.inSun, { names: written.list(first.map(({ load }) => load.name)) }),
          },
        ]
      : []),
    ...(must.length > 0
      ? [
          {
            kind: 'paragraph' as const,
            text: fillWords(words.offLast, {
              names: written.list(must.slice(0, mostOffFirst).map(({ name }) => name)),
            }),
          },
        ]
      : []),
  ];
}

function tripBlocks(
  plan: DesignStudy['plan'],
  { evaluation, stack }: IslandStudy,
  words: CardWords,
  written: InLanguage,
): Block[] {
  if (!stack) return [];
  const heavy = evaluation.context.backupSet
    .toSorted((a, b) => runningPowerVA(b) - runningPowerVA(a))
    .slice(0, mostHeavy)
    .map(({ name }) => name);
  const { tries, afterS } = stack.retry;
  const refills = plan.sources.arrays.length > 0 || plan.sources.generator !== null;
  return [
    { kind: 'heading', level: 2, text: words.trip },
    {
      kind: 'list',
      items: [
        words.tripWhy,
        ...(heavy.length > 0 ? [fillWords(words.tripOff, { names: written.list(heavy) })] : []),
        tries > 0
          ? fillWords(words.tripTries, { wait: written.quantity(Math.max(1, afterS), 's'), tries })
          : words.tripOnce,
        words.tripReset,
        refills ? words.emptySun : words.empty,
      ],
    },
  ];
}

function backBlocks(
  plan: DesignStudy['plan'],
  { evaluation, stack }: IslandStudy,
  words: CardWords,
  written: InLanguage,
): Block[] {
  if (!stack) return [];
  const { transferGapMs, gridReturnMin } = stack;
  const noticed =
    transferGapMs === null
      ? []
      : gapEffects(evaluation.context.backupSet, transferGapMs).map(({ name }) => name);
  const minutes = (value: number): string => `${written.quantity(value, 'count')}\u202fmin`;
  const solarMin = plan.sources.arrays.map(({ returnsAfterMin }) => returnsAfterMin ?? usualReturnMin);
  return [
    { kind: 'heading', level: 2, text: words.back },
    {
      kind: 'list',
      items: [
        transferGapMs === null
          ? words.gapNotStated
          : fillWords(words.gap, { gap: written.quantity(transferGapMs, 'ms') }),
        ...(noticed.length > 0
          ? [fillWords(words.gapNotice, { names: written.list(noticed.slice(0, mostOffFirst)) })]
          : []),
        ...(solarMin.length > 0
          ? [fillWords(words.solarBack, { minutes: minutes(Math.max(...solarMin)) })]
          : []),
        fillWords(words.gridBack, { minutes: minutes(gridReturnMin) }),
      ],
    },
  ];
}
