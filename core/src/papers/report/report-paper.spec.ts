import { describe, expect, it } from 'vitest';
import { emptyCommissioning, sayOfStep } from '../../house/index.js';
import { stepsOf } from '../../commissioning/index.js';
import { builtDemo } from '../../commissioning/details.js';
import { demosInHand } from '../../commissioning/testing/demos-in-hand.js';
import { paperParts } from '../document/paper-request.schema.js';
import { textsOf } from '../testing/papers.js';
import { reportPaper } from './report-paper.js';
import { signatureSvg } from './signature-svg.js';

const [farm] = demosInHand();
const steps = stepsOf(farm!, emptyCommissioning());
const grid = steps.find(({ id }) => /^voltage:.*L1-N$/.test(id))!;
const commissioning = {
  ...sayOfStep(emptyCommissioning(), grid.id, {
    reading: 131,
    by: 'Ada',
    at: '2026-11-28T10:00:00Z',
    instrumentId: 'm',
    override: { reason: 'megger away', by: 'Ada', at: '2026-11-28T09:59:00Z' },
  }),
  instruments: [{ id: 'm', name: 'Meter 4711', calibratedOn: '2026-03-01' }],
  punch: [{ id: 'p', text: 'Seal the conduit', stepId: '', who: 'Ben', dueOn: '2026-12-01', doneOn: null }],
  signatures: [
    {
      id: 'household' as const,
      name: 'Maud Hollis',
      at: '2026-11-28T16:00:00Z',
      strokes: [[10, 20, 30, 40]],
    },
  ],
};

describe('the report of commissioning', () => {
  const { parts, missing } = reportPaper({ ...farm!, plan: { ...farm!.plan, commissioning } }, []);
  const words = textsOf(parts.flatMap(({ blocks }) => blocks)).map((text) => text.replaceAll('\u202f', ' '));

  it('has the parts it offers, and a row for every step', () => {
    expect(parts.map(({ id }) => id)).toEqual(paperParts.report);
    for (const { title } of steps) expect(words).toContain(title);
  });

  it('says what was predicted, found, with what, and what is likely where it is off', () => {
    const at = words.indexOf(grid.title);
    expect(words.slice(at + 1, at + 5)).toEqual(['120 V', '114 V to 126 V', '131 V', 'OFF']);
    expect(words[at + 5]).toBe(
      'Ada, 2026-11-28 10:00. Meter 4711. likely: A loose neutral: one leg is low, another is high. before its turn: megger away',
    );
    expect(words).toContain('Meter 4711, calibrated 2026-03-01');
  });

  it('says what is left, who took it over, and what is missing', () => {
    expect(words).toContain('Seal the conduit');
    expect(words).toContain('For the household: Maud Hollis, 2026-11-28 16:00');
    expect(words).toContain('For the installer');
    expect(missing.map(({ what }) => what)).toEqual([
      `${steps.length - 1} steps of commissioning`,
      'Signatures of both sides',
    ]);
  });

  it('draws a signature as it was drawn', () => {
    expect(
      signatureSvg([
        [10, 20, 30, 40],
        [1, 2],
      ]),
    ).toContain('<path d="M10 20 L30 40"/><path d="M1 2"/>');
  });
});

describe('a staged outage in the report', () => {
  const recordingId = '3f2504e0-4f89-41d3-9a0c-0305e82c3301';
  const { record, samples } = builtDemo({ by: 'Ada', on: '2023-10-17', host: '127.0.0.1', recordingId });
  const built = { ...farm!, plan: { ...farm!.plan, commissioning: record } };
  const recording = {
    id: recordingId,
    name: 'Staged outage 1',
    beganAt: '2023-10-17T18:00:00.000Z',
    samples,
  };
  const blocksOf = (recordings: Parameters<typeof reportPaper>[1]) =>
    reportPaper(built, recordings).parts.find(({ id }) => id === 'outage')!.blocks;

  it('tells what happened, what was seen and what was measured, with a picture', () => {
    const blocks = blocksOf([recording]);
    const words = textsOf(blocks);
    expect(words).toContain('The grid is gone');
    expect(words).toContain('Seen: Lights flickered');
    expect(words.indexOf('Seen: Lights flickered')).toBeGreaterThan(words.indexOf('The grid is gone'));
    expect(words).toContain('Usable energy');
    const picture = blocks.find((block) => block.kind === 'mark');
    expect(picture?.kind === 'mark' && picture.svg).not.toMatch(/NaN|undefined|Infinity/);
  });

  it('is left out where its recording is gone', () => {
    expect(blocksOf([])).toEqual([]);
    expect(blocksOf([{ ...recording, samples: samples.slice(0, 1) }])).toEqual([]);
  });
});

describe('what was built, in the report', () => {
  const logbook = {
    ...farm!.plan.logbook,
    units: [
      {
        id: 'u',
        name: 'Pack, 1 of 2',
        itemId: '' as const,
        serial: 'LP-1',
        firmware: '2.1',
        builtInOn: '2023-10-12',
        warrantyYears: null,
        warrantedShare: null,
        note: '',
      },
    ],
    deviations: [
      {
        id: 'd',
        aboutId: '' as const,
        what: 'Place',
        designed: 'left',
        built: 'right',
        why: 'A pipe',
        on: null,
      },
    ],
  };
  it('lists units by serial number, and what is otherwise than designed', () => {
    const { parts } = reportPaper({ ...farm!, plan: { ...farm!.plan, logbook } }, []);
    const words = textsOf(parts.find(({ id }) => id === 'built')!.blocks);
    for (const word of ['As built', 'Pack, 1 of 2', 'LP-1', '2.1', 'Place', 'left', 'right', 'A pipe'])
      expect(words).toContain(word);
  });

  it('says nothing where nothing is written down', () => {
    const { parts } = reportPaper(farm!, []);
    expect(parts.find(({ id }) => id === 'built')!.blocks).toEqual([]);
  });
});
