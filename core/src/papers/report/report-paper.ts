import {
  boundsText,
  type DesignInHand,
  type Phase,
  phaseNames,
  phases,
  standOfSteps,
  type StandingStep,
  stepsOf,
  visitsOf,
} from '../../commissioning/index.js';
import { quantityText } from '../../base/index.js';
import type { Commissioning, Signature } from '../../house/index.js';
import type { Block, Missing, PaperPart, TableCell } from '../document/paper.js';
import { builtBlocks } from './built-blocks.js';
import { momentText } from './moment-text.js';
import { outageBlocks } from './outage-blocks.js';
import type { RecordedOutage } from './recorded-outage.js';
import { signatureSvg } from './signature-svg.js';

const verdictWords: Readonly<Record<StandingStep['verdict'], string>> = {
  open: 'open',
  right: 'right',
  off: 'OFF',
};
const sideWords: Readonly<Record<Signature['id'], string>> = {
  installer: 'For the installer',
  household: 'For the household',
};
/** A signature stands so wide on paper, mm. */
const signatureMm = 70;

/**
 * The report of commissioning: every step with what was predicted and found, staged outages, what is left to do, and who took it over.
 *
 * @param recordings of its staged outages
 */
export function reportPaper(
  design: DesignInHand,
  recordings: readonly RecordedOutage[],
): {
  readonly parts: readonly PaperPart[];
  readonly missing: readonly Missing[];
} {
  const { plan } = design;
  const record = plan.commissioning;
  const stand = standOfSteps(stepsOf(design, record), record);
  const { right, off, open, steps } = stand;
  return {
    parts: [
      {
        id: 'summary',
        blocks: summary(
          design,
          record,
          `${right} of ${steps.length} steps are right, ${off} off, ${open} open.`,
        ),
      },
      {
        id: 'steps',
        blocks: phaseNames.flatMap((phase) => phaseBlocks(phase, steps, record)),
      },
      { id: 'built', blocks: builtBlocks(plan) },
      { id: 'outage', blocks: outageBlocks(design, recordings) },
      { id: 'left', blocks: leftBlocks(record) },
      { id: 'signed', blocks: signedBlocks(record) },
    ],
    missing: [
      ...(open > 0
        ? [
            {
              what: open === 1 ? 'One step' : `${open} steps of commissioning`,
              at: 'commissioning',
              place: 'Commissioning',
            },
          ]
        : []),
      ...(record.signatures.length < 2
        ? [{ what: 'Signatures of both sides', at: 'commissioning', place: 'Commissioning' }]
        : []),
    ],
  };
}

function summary({ plan, islands }: DesignInHand, record: Commissioning, says: string): Block[] {
  const { instruments } = record;
  const rows: (readonly [string, string])[] = [
    ['Owner', plan.parties.client],
    ['Address', plan.parties.address || plan.site.place],
    ['System', islands.flatMap(({ stack }) => (stack ? [stack.name] : [])).join('; ')],
    ...instruments.map(
      ({ name, calibratedOn }) =>
        [
          'Instrument',
          calibratedOn === null ? `${name}, calibration not said` : `${name}, calibrated ${calibratedOn}`,
        ] as const,
    ),
    ...visitsOf(record).map(
      ({ from, to, by, steps }) =>
        [
          'Visit',
          `${momentText(from)} to ${momentText(to)} UTC, ${steps === 1 ? 'one step' : `${steps} steps`}${by.length > 0 ? `: ${by.join(', ')}` : ''}`,
        ] as const,
    ),
  ];
  return [
    { kind: 'heading', level: 1, text: 'What was put into service' },
    { kind: 'facts', columns: 2, rows: rows.filter(([, text]) => text !== '') },
    { kind: 'paragraph', text: says, tone: 'strong' },
  ];
}

function phaseBlocks(phase: Phase, steps: readonly StandingStep[], { instruments }: Commissioning): Block[] {
  const mine = steps.filter(({ step }) => step.phase === phase);
  if (mine.length === 0) return [];
  const names = new Map(instruments.map(({ id, name }) => [id, name]));
  return [
    { kind: 'heading', level: 2, text: phases[phase] },
    {
      kind: 'table',
      size: 'small',
      columns: [
        { head: 'Step', wide: true },
        { head: 'Predicted', align: 'right' },
        { head: 'Right', align: 'right' },
        { head: 'Found', align: 'right' },
        { head: '' },
        { head: 'By, with, note', wide: true },
      ],
      rows: mine.map(({ step, entry, verdict, causes }): TableCell[] => {
        const { asks } = step;
        const measure = asks.kind === 'measure' ? asks : null;
        const found =
          measure && entry.reading !== null
            ? quantityText(entry.reading, measure.unit)
            : entry.isSo === null
              ? ''
              : entry.isSo
                ? 'yes'
                : 'no';
        const said = [
          [entry.by, entry.at === null ? '' : momentText(entry.at)].filter((one) => one !== '').join(', '),
          names.get(entry.instrumentId) ?? '',
          entry.device === '' ? '' : `read from ${entry.device}`,
          entry.note,
          causes.length > 0 ? `likely: ${causes.join('; ')}` : '',
          entry.override ? `before its turn: ${entry.override.reason}` : '',
        ];
        return [
          step.title,
          measure?.predicted ? quantityText(measure.predicted.value, measure.unit) : '',
          measure ? boundsText(measure) : 'yes',
          found,
          {
            text: verdictWords[verdict],
            tone: verdict === 'off' ? 'strong' : verdict === 'open' ? 'soft' : 'plain',
          },
          said.filter((one) => one !== '').join('. '),
        ];
      }),
    },
  ];
}

function leftBlocks({ punch }: Commissioning): Block[] {
  if (punch.length === 0) return [];
  return [
    { kind: 'heading', level: 1, text: 'Left to do' },
    {
      kind: 'table',
      columns: [{ head: 'What', wide: true }, { head: 'Who' }, { head: 'By' }, { head: 'Done' }],
      rows: punch.map(({ text, who, dueOn, doneOn }) => [text, who, dueOn ?? '', doneOn ?? 'open']),
    },
  ];
}

function signedBlocks({ signatures }: Commissioning): Block[] {
  const lines = (['installer', 'household'] as const).flatMap((side): Block[] => {
    const signature = signatures.find(({ id }) => id === side);
    if (!signature) return [{ kind: 'signatures', lines: [sideWords[side]] }];
    return [
      {
        kind: 'paragraph',
        text: `${sideWords[side]}: ${signature.name}, ${momentText(signature.at)}`,
      },
      ...(signature.strokes
        ? [{ kind: 'mark' as const, svg: signatureSvg(signature.strokes), widthMm: signatureMm }]
        : []),
    ];
  });
  return [
    {
      kind: 'together',
      blocks: [{ kind: 'heading', level: 1, text: 'Taken over as it stands in this report' }, ...lines],
    },
  ];
}
