import { dailyEnergyWh, runningPowerVA } from '../../house/index.js';
import { type Plan, settingsOf } from '../../design/index.js';
import { type Item, mostPowerW } from '../../equipment/index.js';
import type { CompanySheet } from '../company/company-sheet.schema.js';
import type { Block, Missing, PaperPart, TableCell } from '../document/paper.js';
import { offFirst } from '../card/off-first.js';
import { partsLines } from '../material/parts-lines.js';
import type { DesignStudy, IslandStudy } from '../study/design-study.js';
import { loadsByLane, namesOf } from '../study/house-facts.js';
import { reachedShares, seasonHours } from '../study/season-hours.js';
import { fillWords } from '../words/fill-words.js';
import type { InLanguage } from '../words/in-language.js';
import { proposalWords, type ProposalWords } from '../words/proposal-words.js';
import { hoursPicture } from './hours-picture.js';
import { householdPrice } from './offer-lines.js';

const mostNames = 12;
const mostOffFirst = 4;
const mostBiggest = 6;
/** Lengths of outages a household asks about, h. */
const askedLengths: readonly number[] = [2, 4, 8, 12, 24, 48, 72];

interface Of {
  readonly studies: readonly DesignStudy[];
  readonly items: readonly Item[];
  readonly company: CompanySheet;
  readonly written: InLanguage;
  /** The day it is made, "2026-11-28". */
  readonly day: string;
}

/** The parts of a proposal: up to three designs side by side, in words a household reads. */
export async function proposal(
  of: Of,
): Promise<{ readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] }> {
  const { studies, company } = of;
  const words = proposalWords[of.written.language];
  const { plan } = studies[0]!;
  const { parties } = plan;
  return {
    parts: [
      { id: 'wishes', blocks: wishesBlocks(of, words) },
      { id: 'designs', blocks: designsBlocks(of, words) },
      { id: 'seasons', blocks: await seasonsBlocks(of, words) },
      { id: 'energy-power', blocks: energyBlocks(of, words) },
      { id: 'not-included', blocks: notIncludedBlocks(of, words) },
      { id: 'price', blocks: priceBlocks(of, words) },
      { id: 'acceptance', blocks: acceptanceBlocks(of, words) },
    ],
    missing: [
      ...(parties.client === '' ? [{ what: 'Whom the proposal is for', at: 'brief', place: 'Brief' }] : []),
      ...(company.name === ''
        ? [{ what: 'Name of the company', at: '/company', place: 'Company sheet' }]
        : []),
      ...(company.validDays === null
        ? [{ what: 'How long a proposal is valid', at: '/company', place: 'Company sheet' }]
        : []),
      ...studies.flatMap(({ name, price, islands }): Missing[] => [
        ...(islands.every(({ stack }) => stack === null)
          ? [{ what: `Units for ${name}`, at: 'sources', place: 'Sources' }]
          : []),
        ...(price === null
          ? [{ what: `The price of ${name}`, at: '/equipment/prices', place: 'Prices' }]
          : price.missing.length > 0
            ? [
                {
                  what: `Prices for ${name}, not in its total: ${price.missing.join(', ')}`,
                  at: '/equipment/prices',
                  place: 'Prices',
                },
              ]
            : []),
      ]),
    ],
  };
}

const seasonOf = (plan: Plan, words: ProposalWords): string =>
  words[settingsOf(plan).designSeason.value].toLowerCase();

/** In German a noun keeps its capital. */
const seasonName = (plan: Plan, words: ProposalWords, { language }: InLanguage): string =>
  language === 'de' ? words[settingsOf(plan).designSeason.value] : seasonOf(plan, words);

function wishesBlocks({ studies, written }: Of, words: ProposalWords): Block[] {
  const { plan } = studies[0]!;
  const settings = settingsOf(plan);
  const { brief, parties } = plan;
  const runtime = settings.requiredRuntimeH;
  const values = {
    hours: written.quantity(runtime.value, 'h'),
    season: seasonName(plan, words, written),
  };
  const to = [parties.client, parties.address].filter((text) => text !== '').join(', ');
  return [
    ...(to === '' ? [] : [{ kind: 'facts' as const, rows: [[words.forWhom, to]] as const }]),
    { kind: 'heading', level: 1, text: words.wishes },
    { kind: 'paragraph', text: words.asked },
    {
      kind: 'list',
      items: [
        fillWords(runtime.assumed ? words.askedRuntimeAssumed : words.askedRuntime, values),
        words.askedWeather[settings.outageWeather.value],
        settings.handsOn.value ? words.askedHands : words.askedNoHands,
        ...(brief.goals.ownSolar === 'none' ? [] : [words.askedSun]),
        ...(brief.goals.peakPrice === 'none' ? [] : [words.askedPeak]),
        ...(brief.plannedAdditions.length > 0
          ? [
              fillWords(words.askedLater, {
                names: written.list(brief.plannedAdditions.map(({ name }) => name)),
              }),
            ]
          : []),
      ],
    },
  ];
}

const lasting = (written: InLanguage, hours: number, followedH: number): string =>
  `${hours >= followedH - 1e-6 ? '≥ ' : ''}${written.quantity(Math.min(hours, followedH), 'h')}`;

/** The island a household thinks of first; of several each has its own columns. */
const columnsOf = (studies: readonly DesignStudy[]) =>
  studies.flatMap((study) =>
    study.islands.map((island) => ({
      study,
      island,
      name: study.islands.length > 1 ? `${study.name}, ${island.island.name}` : study.name,
    })),
  );

function designsBlocks({ studies, written }: Of, words: ProposalWords): Block[] {
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

async function seasonsBlocks({ studies, written }: Of, words: ProposalWords): Promise<Block[]> {
  const columns = columnsOf(studies);
  const seasons = await Promise.all(columns.map(({ study, island }) => seasonHours(study.plan, island)));
  if (seasons.every((some) => some.length === 0)) return [];
  const { plan } = studies[0]!;
  const requiredH = settingsOf(plan).requiredRuntimeH.value;
  const scaleH = Math.max(
    requiredH,
    ...seasons.flat().map(({ outlook }) => Math.min(outlook.medianH, outlook.followedH)),
  );
  const required = {
    hours: requiredH,
    text: fillWords(words.chancesHours, {}).concat(' ', written.quantity(requiredH, 'h')),
  };
  const years = seasons.flat()[0]!.outlook.yearsMedianH.length;
  const shares = columns.map(({ study, island }) => reachedShares(study.plan, island, askedLengths));
  const shown = askedLengths.filter((hours) =>
    shares.some((some) => some.some((one) => one.hours === hours)),
  );
  return [
    { kind: 'heading', level: 1, text: words.seasons },
    { kind: 'paragraph', text: fillWords(words.seasonsNote, { years }) },
    ...columns.flatMap(({ name }, index): Block[] => [
      ...(columns.length > 1 ? [{ kind: 'heading' as const, level: 2 as const, text: name }] : []),
      {
        kind: 'drawing',
        on: 'page',
        title: `${words.seasons}: ${name}`,
        drawing: hoursPicture(
          seasons[index]!.map(({ season, outlook }) => ({
            label: words[season],
            surelyH: outlook.nineteenOfTwentyH,
            halfH: outlook.medianH,
            surely: `${lasting(written, outlook.nineteenOfTwentyH, outlook.followedH)}`,
            half: `${words.half}: ${lasting(written, outlook.medianH, outlook.followedH)}`,
          })),
          scaleH,
          required,
        ),
      },
    ]),
    ...(shown.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: words.chances },
          {
            kind: 'table' as const,
            columns: [
              { head: '' },
              ...shown.map((hours) => ({
                head: `${words.chancesHours} ${written.quantity(hours, 'h')}`,
                align: 'right' as const,
              })),
            ],
            rows: columns.map(({ name }, index) => [
              name,
              ...shown.map((hours) => {
                const found = shares[index]!.find((one) => one.hours === hours);
                return found ? written.share(found.share) : '–';
              }),
            ]),
          },
        ]
      : []),
  ];
}

function energyBlocks({ studies, written }: Of, words: ProposalWords): Block[] {
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

function notIncludedBlocks({ studies, company }: Of, words: ProposalWords): Block[] {
  const { plan } = studies[0]!;
  return [
    { kind: 'heading', level: 1, text: words.notIncluded },
    {
      kind: 'list',
      items: [
        ...(plan.sources.arrays.some(({ existing }) => existing) ? [words.notNewArray] : []),
        words.notUtility,
        words.notRepairs,
        ...company.notIncluded
          .split('\n')
          .map((line) => line.trim())
          .filter((line) => line !== ''),
      ],
    },
  ];
}

function priceBlocks({ studies, items, written }: Of, words: ProposalWords): Block[] {
  const priced = studies.flatMap((study) =>
    study.price ? [{ study, price: householdPrice(study.price) }] : [],
  );
  if (priced.length === 0) return [];
  const labelled = (of: 'fees' | 'taxes' | 'incentives'): string[] => [
    ...new Set(priced.flatMap(({ price }) => price[of].map(({ name }) => name))),
  ];
  const row = (
    label: string,
    amount: (price: (typeof priced)[number]['price']) => string | undefined,
  ): TableCell[] => [
    label,
    ...priced.map(({ price }) => {
      const value = amount(price);
      return value === undefined ? '–' : written.money(value, price.currency);
    }),
  ];
  const rows = (of: 'fees' | 'taxes' | 'incentives'): TableCell[][] =>
    labelled(of).map((label) => row(label, (price) => price[of].find(({ name }) => name === label)?.amount));
  const total = (label: string, of: 'total' | 'after'): TableCell[] =>
    row(label, (price) => price[of]).map((cell) => ({
      text: typeof cell === 'string' ? cell : cell.text,
      tone: 'strong',
    }));
  const incentives = rows('incentives');
  const goods = priced.map(({ study }) => {
    const units = partsLines(study, items, null).lines.filter(({ group }) => group === 'units');
    const names = units.map(({ quantity, name }) => (quantity === 1 ? name : `${quantity} × ${name}`));
    const text = fillWords(words.systemNote, { names: written.list(names) });
    return priced.length > 1 ? `${study.name}. ${text}` : text;
  });
  return [
    { kind: 'heading', level: 1, text: words.price },
    {
      kind: 'table',
      columns: [
        { head: words.priceItem, wide: true },
        ...priced.map(({ study }) => ({ head: study.name, align: 'right' as const })),
      ],
      rows: [
        row(words.system, ({ system }) => system),
        ...rows('fees'),
        ...rows('taxes'),
        total(words.total, 'total'),
        ...incentives,
        ...(incentives.length > 0 ? [total(words.after, 'after')] : []),
      ],
    },
    { kind: 'list', items: goods },
    ...(priced.some(({ price }) => price.estimated)
      ? [{ kind: 'paragraph' as const, tone: 'soft' as const, text: words.estimated }]
      : []),
    ...(incentives.length > 0
      ? [{ kind: 'paragraph' as const, tone: 'soft' as const, text: words.incentiveNote }]
      : []),
  ];
}

function acceptanceBlocks({ studies, company, written, day }: Of, words: ProposalWords): Block[] {
  const until =
    company.validDays === null
      ? null
      : new Date(Date.parse(`${day}T00:00:00Z`) + company.validDays * 86_400_000).toISOString().slice(0, 10);
  const choices = studies.map(({ name, price }) =>
    price
      ? fillWords(words.acceptWhich, {
          design: name,
          price: written.money(price.afterIncentives, price.currency),
        })
      : name,
  );
  return [
    ...(company.payments.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: words.payments },
          {
            kind: 'table' as const,
            columns: [
              { head: '', wide: true },
              { head: '', align: 'right' as const },
            ],
            rows: company.payments.map(({ when, share }) => [when, written.share(share)]),
          },
        ]
      : []),
    ...(company.terms.trim() === ''
      ? []
      : [
          { kind: 'heading' as const, level: 2 as const, text: words.terms },
          ...company.terms
            .split(/\n+/)
            .filter((line) => line.trim() !== '')
            .map((text) => ({ kind: 'paragraph' as const, text })),
        ]),
    {
      kind: 'together',
      blocks: [
        { kind: 'heading', level: 1, text: words.acceptance },
        ...(until === null
          ? []
          : [{ kind: 'paragraph' as const, text: fillWords(words.valid, { day: written.day(until) }) }]),
        { kind: 'paragraph', text: words.acceptText },
        { kind: 'ticks', items: choices },
        {
          kind: 'signatures',
          lines: [
            words.place,
            words.signature,
            ...(company.name === '' ? [] : [fillWords(words.forCompany, { company: company.name })]),
          ],
        },
      ],
    },
  ];
}
