import ElkModule from 'elkjs/lib/elk.bundled.js';
import { itemsFor } from '../../design/index.js';
import { demoJobs, type Job, withDemoDesigns } from '../../job/index.js';
import { demoBook, demoItems } from '../../offer/index.js';
import { fromElk, toElk } from '../../wiring/index.js';
import type { ComposeFrom } from '../compose-paper.js';
import { type CompanySheet, emptyCompanySheet } from '../company/company-sheet.schema.js';
import type { PaperKind, PaperRequest } from '../document/paper-request.schema.js';
import type { Block } from '../document/paper.js';
import { type DesignStudy, type PaperSources, studyDesign } from '../study/design-study.js';

/** An invented company that has entered everything. */
export const aCompany: CompanySheet = {
  ...emptyCompanySheet(),
  name: 'Hollow Lane Electric',
  emergencyPhone: '555 0199',
  licences: [{ id: 'l', kind: 'Contractor', number: 'EC-1', holder: '' }],
  validDays: 30,
};

/** The farm of the demo with its three designs. */
export const farm: Job = withDemoDesigns(demoJobs[0]!.job);

export const aRequest = (kind: PaperKind, job: Job, more: Partial<PaperRequest> = {}): PaperRequest => ({
  kind,
  sheet: 'letter',
  language: 'en',
  designIds: [job.chosenDesignId],
  without: [],
  ...more,
});

const Elk = ElkModule as unknown as typeof ElkModule.default;

/** What papers of a job are composed from; designs are worked out once. */
export function sourcesOf(job: Job, company: CompanySheet = aCompany): ComposeFrom {
  const sources: PaperSources = {
    job,
    items: itemsFor(job.equipmentList, { items: demoItems, sampleHidden: false }),
    book: demoBook,
    weather: null,
  };
  const known = new Map<string, Promise<DesignStudy>>();
  const layouts = new Elk();
  return {
    ...sources,
    company,
    recordings: [],
    day: '2026-11-28',
    layOut: async (plan) => fromElk(plan, await layouts.layout(toElk(plan))),
    study: (designId) => {
      const study = known.get(designId) ?? studyDesign(sources, designId);
      known.set(designId, study);
      return study;
    },
    progress: () => undefined,
  };
}

/** Every word of blocks, one after the other. */
export function textsOf(blocks: readonly Block[]): string[] {
  return blocks.flatMap((block): string[] => {
    switch (block.kind) {
      case 'heading':
      case 'paragraph':
        return [block.text];
      case 'list':
      case 'ticks':
        return [...block.items];
      case 'facts':
        return block.rows.flat();
      case 'table':
        return [
          ...block.columns.map(({ head }) => head),
          ...block.rows.flat().map((cell) => (typeof cell === 'string' ? cell : cell.text)),
          block.note ?? '',
        ];
      case 'box':
        return [block.title, ...block.lines];
      case 'signatures':
        return [...block.lines];
      case 'mark':
        return [];
      case 'picture':
        return [...block.texts];
      case 'drawing':
        return [
          block.title,
          ...block.drawing.items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])),
        ];
      case 'together':
        return textsOf(block.blocks);
      case 'columns':
        return [...textsOf(block.left), ...textsOf(block.right)];
    }
  });
}
