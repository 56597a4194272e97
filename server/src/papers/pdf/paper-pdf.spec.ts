import { itemsFor } from '@levamen/core/design';
import { demoJobs, type Job } from '@levamen/core/job';
import { demoBook, demoItems } from '@levamen/core/offer';
import { composePaper, type ComposeFrom, type DesignStudy, studyDesign } from '@levamen/core/papers/details';
import { type Block, emptyCompanySheet, type Paper, paperKinds, sheets } from '@levamen/core/papers';
import { fromElk, toElk } from '@levamen/core/wiring';
import ElkModule from 'elkjs/lib/elk.bundled.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { type PdfText, type ReadPdf, readPdf } from '../../testing/read-pdf.js';
import { paperPdf, type Stamp } from './paper-pdf.js';

const Elk = ElkModule as unknown as typeof ElkModule.default;
const company = { ...emptyCompanySheet(), name: 'Hollow Lane Electric', emergencyPhone: '555 0199' };
const draft: Stamp = { issued: null, jobRevision: 7, day: '28 November 2026', changes: null };

function sourcesOf(job: Job): ComposeFrom {
  const sources = {
    job,
    items: itemsFor(job.equipmentList, { items: demoItems, sampleHidden: false }),
    book: demoBook,
    weather: null,
  };
  let known: Promise<DesignStudy> | null = null;
  return {
    ...sources,
    company,
    recordings: [],
    day: '2026-11-28',
    layOut: async (plan) => fromElk(plan, await new Elk().layout(toElk(plan))),
    study: (id) => (known ??= studyDesign(sources, id)),
    progress: () => undefined,
  };
}
const composeAll = (job: Job): Promise<Paper[]> => {
  const from = sourcesOf(job);
  return Promise.all(
    paperKinds.map((kind) =>
      composePaper({ kind, sheet: 'a4', language: 'en', designIds: [job.chosenDesignId], without: [] }, from),
    ),
  );
};

/** Two pieces of text that lie over each other. */
function overlaps(texts: readonly PdfText[]): string[] {
  const found: string[] = [];
  texts.forEach((a, index) => {
    if (a.text.trim() === '') return;
    for (const b of texts.slice(index + 1)) {
      if (b.text.trim() === '') continue;
      const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
      const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
      if (across > 1.5 && down > Math.min(a.height, b.height) * 0.45) found.push(`${a.text} | ${b.text}`);
    }
  });
  return found;
}

/** The house once more behind a meter of its own: two services, some sixty circuits. */
function twice(job: Job): Job {
  const { services, panels } = job.survey;
  const again = (id: string): string => `${id}-2`;
  return {
    ...job,
    survey: {
      ...job.survey,
      services: [
        ...services,
        ...services.map((one) => ({ ...one, id: again(one.id), name: `${one.name} 2` })),
      ],
      panels: [
        ...panels,
        ...panels.map((panel) => ({
          ...panel,
          id: again(panel.id),
          name: `${panel.name} 2`,
          fedFrom:
            panel.fedFrom.kind === 'service'
              ? { ...panel.fedFrom, serviceId: again(panel.fedFrom.serviceId) }
              : panel.fedFrom.kind === 'circuit'
                ? { ...panel.fedFrom, circuitId: again(panel.fedFrom.circuitId) }
                : panel.fedFrom,
          circuits: panel.circuits.map((circuit) => ({ ...circuit, id: again(circuit.id) })),
        })),
      ],
    },
    designs: job.designs.map((design) => ({
      ...design,
      backup: {
        ...design.backup,
        services: design.backup.services.flatMap((one) => [
          one,
          { ...one, serviceId: again(one.serviceId), islandId: again(one.islandId) },
        ]),
      },
      equipment: {
        ...design.equipment,
        stacks: design.equipment.stacks.flatMap((one) => [one, { ...one, islandId: again(one.islandId) }]),
      },
    })),
  };
}

/** Names nobody would choose, and somebody does. */
const hostile = [
  '=HYPERLINK("http://x")',
  'משאבת באר',
  '🏡 Küche ½',
  'x'.repeat(78),
  '<b>&amp;',
  'rtl \u202e gnirts',
];

function withHostileNames(job: Job): Job {
  const name = (index: number): string => hostile[index % hostile.length]!;
  return {
    ...job,
    name: `House ${hostile[1]} ${hostile[3]}`.slice(0, 120),
    loads: job.loads.map((load, index) => ({ ...load, name: name(index).slice(0, 80) })),
    survey: {
      ...job.survey,
      panels: job.survey.panels.map((panel) => ({
        ...panel,
        circuits: panel.circuits.map((circuit, index) => ({
          ...circuit,
          name: name(index + 1).slice(0, 80),
        })),
      })),
    },
  };
}

describe('papers as PDF, read back by another library', () => {
  let read: readonly (readonly [Paper, ReadPdf])[];
  beforeAll(async () => {
    const papers = await composeAll(demoJobs[0]!.job);
    read = await Promise.all(
      papers.map(async (paper) => [paper, await readPdf(await paperPdf(paper, 'a4', draft, null))] as const),
    );
  }, 120_000);

  it('lie on A4 (ISO 216: 210 × 297 mm), upright or turned', () => {
    const [short, long] = sheets.a4.map((mm) => Math.round((mm / 25.4) * 72));
    for (const [, { pages }] of read)
      for (const { widthPt, heightPt } of pages)
        expect([Math.round(widthPt), Math.round(heightPt)].toSorted((a, b) => a - b)).toEqual([short, long]);
  });

  it('say on every page what they are, that they are drafts, which page of how many, and a caution', () => {
    for (const [paper, { pages }] of read)
      pages.forEach(({ text }, index) => {
        expect(text).toContain('DRAFT');
        expect(text).toContain(`Page ${index + 1} of ${pages.length}`);
        expect(text).toContain('job revision 7');
        expect(text.replaceAll(/\s+/g, ' ')).toContain(paper.caution.slice(0, 30));
      });
  });

  it('have no text over another and none beside the page', () => {
    for (const [paper, { pages }] of read)
      pages.forEach(({ texts, widthPt, heightPt, text }, index) => {
        for (const { x, y, width } of texts)
          expect(x >= 0 && y >= 0 && x + width <= widthPt + 0.5 && y <= heightPt).toBe(true);
        // What a drawing's own test looks at is left to it: `textsThatMeet`.
        if (!/^(One-line|Three-line|Elevation|Site plan)/m.test(text))
          expect(overlaps(texts), `${paper.kind}, page ${index + 1}`).toEqual([]);
      });
  });

  it('embed their fonts, name themselves, and have bookmarks where they are long', () => {
    for (const [paper, { title, bookmarks, fonts }] of read) {
      expect(title).toContain(paper.title);
      expect(fonts.every((name) => /^[A-Z]{6}\+/.test(name))).toBe(true);
      if (paper.kind === 'packet') expect(bookmarks).toContain('Load calculation');
    }
  });

  it('hold every word that was composed', () => {
    for (const [paper, { pages }] of read) {
      const all = pages
        .map(({ text }) => text)
        .join(' ')
        .replaceAll(/\s+/g, '');
      const headings = paper.blocks.flatMap((block: Block) => (block.kind === 'heading' ? [block.text] : []));
      for (const heading of headings) expect(all).toContain(heading.replaceAll(/\s+/g, ''));
    }
  });

  it('of an outage card are one page; labels are at their size', () => {
    for (const [paper, { pages }] of read) {
      if (paper.kind === 'card') expect(pages).toHaveLength(1);
      if (paper.kind !== 'labels') continue;
      const pictures = paper.blocks.flatMap((block) => (block.kind === 'picture' ? [block] : []));
      expect(pictures.length).toBeGreaterThan(0);
      const capitals = pages
        .flatMap(({ texts }) => texts)
        .filter(({ text }) => /^PHOTOVOLTAIC SYSTEM/.test(text));
      // Capitals of 3/8 in (9.525 mm) in a face whose capitals are 0.71 of its size.
      expect(capitals[0]!.height).toBeCloseTo((9.525 / 0.71 / 25.4) * 72, 0);
    }
  });
});

describe('hostile text on paper', () => {
  it('in a house of two services and sixty circuits is all there and runs over nothing', async () => {
    const papers = await composeAll(withHostileNames(twice(demoJobs[0]!.job)));
    for (const paper of papers) {
      const { pages } = await readPdf(await paperPdf(paper, 'letter', draft, null));
      pages.forEach(({ texts, widthPt, text }, index) => {
        if (/^(One-line|Three-line|Elevation|Site plan)/m.test(text)) return;
        const name = `${paper.kind}, page ${index + 1}`;
        for (const { x, width, text: piece } of texts)
          expect(x + width, `${name}: ${piece}`).toBeLessThanOrEqual(widthPt);
        expect(overlaps(texts), name).toEqual([]);
      });
      const all = pages
        .map(({ text }) => text)
        .join('\n')
        .replaceAll(/\s+/g, '');
      if (paper.kind !== 'packet') continue;
      expect(all).toContain('[U+1F3E1]Küche½');
      expect(all).toContain('x'.repeat(78));
      expect(all).toContain('<b>&amp;');
      expect(all).toContain('[U+202E]');
      expect(all).toMatch(/[\u0590-\u05ff]{4}/);
    }
  }, 120_000);

  it('in a parts list of 400 lines breaks no row', async () => {
    const rows = Array.from({ length: 400 }, (_, index) => [
      `Line ${index} end`,
      'Somewhere in the house, by the stairs',
      '1',
    ]);
    const paper: Paper = {
      kind: 'parts',
      language: 'en',
      title: 'Parts list',
      jobName: 'Long',
      company: [],
      logo: null,
      caution: 'Not verified.',
      scale: 1,
      onOnePage: false,
      blocks: [
        {
          kind: 'table',
          columns: [{ head: 'What', wide: true }, { head: 'For', wide: true }, { head: 'Quantity' }],
          rows,
        },
      ],
      missing: [],
    };
    const { pages } = await readPdf(await paperPdf(paper, 'a4', draft, null));
    const all = pages.map(({ text }) => text).join('\n');
    for (let index = 0; index < 400; index += 1) expect(all).toContain(`Line ${index} end`);
    // The heading of the table is on every page of it.
    for (const { text } of pages) expect(text).toContain('Quantity');
  });
});
