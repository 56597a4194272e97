import type { DesignInHand } from '../../commissioning/index.js';
import {
  clockText,
  designedBattery,
  expectationOf,
  hoursTexts,
  measuredRows,
  stagedOutageReport,
  toldInOrder,
} from '../../commissioning/details.js';
import type { Block } from '../document/paper.js';
import { momentText } from './moment-text.js';
import { outageSvg, outageSvgSays } from './outage-svg.js';
import type { RecordedOutage } from './recorded-outage.js';

/** The picture of an outage is as wide as the text, mm. */
const pictureMm = 165;

/** The staged outages of a record: what happened, what was seen, what was measured. One whose recording is gone is left out. */
export const outageBlocks = (design: DesignInHand, recordings: readonly RecordedOutage[]): Block[] =>
  design.plan.commissioning.outages.flatMap((outage) => {
    const recording = recordings.find(({ id }) => id === outage.id);
    const at = design.islands.find(({ island }) => island.id === outage.islandId);
    if (!recording || recording.samples.length < 2 || !at?.stack) return [];
    const designed = designedBattery(design.plan, at.island, at.stack);
    const expects = expectationOf(design, at.island.id, designed);
    if (!expects) return [];
    const { events, measured, hours } = stagedOutageReport(recording.samples, expects, designed);
    const compared = hours && hoursTexts(hours);
    return [
      { kind: 'heading', level: 1, text: `${recording.name}: ${at.island.name}` },
      {
        kind: 'paragraph',
        text: `Recorded from ${momentText(recording.beganAt)} UTC, for ${clockText(recording.samples.at(-1)!.second)}.`,
      },
      { kind: 'mark', svg: outageSvg(recording.samples), widthMm: pictureMm },
      { kind: 'paragraph', text: outageSvgSays(recording.samples), tone: 'soft' },
      {
        kind: 'table',
        size: 'small',
        columns: [
          { head: 'At', align: 'right' },
          { head: 'What happened', wide: true },
        ],
        rows: toldInOrder(events, outage.marks).map(({ second, text, isSaid }) => [
          clockText(second),
          isSaid ? `Seen: ${text}` : text,
        ]),
      },
      ...(measured
        ? [
            {
              kind: 'table' as const,
              size: 'small' as const,
              columns: [
                { head: 'Measured', wide: true },
                { head: 'Predicted, new', align: 'right' as const },
                { head: 'Found, 19 of 20', align: 'right' as const },
              ],
              rows: measuredRows(measured, designed).map(({ what, predicted, found }) => [
                what,
                predicted,
                found,
              ]),
            },
          ]
        : []),
      ...(compared
        ? [
            { kind: 'paragraph' as const, text: compared.says },
            { kind: 'list' as const, items: compared.differences },
          ]
        : []),
    ];
  });
