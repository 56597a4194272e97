import { settingsOf } from '../../design/index.js';
import type { Block } from '../document/paper.js';
import { reachedShares, seasonHours } from '../study/season-hours.js';
import { fillWords } from '../words/fill-words.js';
import { hoursPicture } from './hours-picture.js';
import { columnsOf, lasting, type ProposalOf } from './proposal-of.js';

/** Lengths of outages a household asks about, h. */
const askedLengths: readonly number[] = [2, 4, 8, 12, 24, 48, 72];

/** Hours by season as pictures, and how many outages of a length are got through. */
export async function seasonsPart({ studies, written, words }: ProposalOf): Promise<Block[]> {
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
