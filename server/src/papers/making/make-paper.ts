import { weatherYearOf } from '@levamen/core/api';
import {
  composePaper,
  type DesignStudy,
  type PaperSources,
  type ComposeFrom,
  inLanguage,
  partsLines,
  signShapes,
  signSvg,
  studyDesign,
} from '@levamen/core/papers/details';
import { type Paper, paperKinds, type PaperRequest } from '@levamen/core/papers';
import { fromElk, safetyOf, toElk } from '@levamen/core/wiring';
import ElkModule from 'elkjs/lib/elk.bundled.js';
import { digestOf } from '../../blobs/blob-store.js';
import { fileStem } from '../../http/file-stem.js';
import { paperPdf } from '../pdf/paper-pdf.js';
import { bundle, type BundleFile } from './bundle.js';
import type { MadePaper, PaperProgress, PaperTask } from './paper-task.js';
import { partsCsv, partsXlsx } from './parts-table.js';

// Its types describe an ES module; what Node loads is the class itself.
const Elk = ElkModule as unknown as typeof ElkModule.default;
let layouts: InstanceType<typeof Elk> | null = null;

const shownIn = {
  packet: 'permit packet',
  proposal: 'proposal',
  parts: 'parts list',
  labels: 'labels',
  card: 'outage card',
  report: 'commissioning report',
} as const;

/** Designs that were worked out last, and from what: a paper is looked at again with another part of it. */
const known = new Map<string, Promise<DesignStudy>>();
const mostKnown = 6;

function studyOf(sources: PaperSources, designId: string, weatherId: string | null): Promise<DesignStudy> {
  const { job, items, book } = sources;
  const key = digestOf(
    JSON.stringify([
      { ...job, photos: [], openPoints: [], course: null, commissioning: null },
      items,
      book,
      weatherId,
      designId,
    ]),
  );
  const found = known.get(key);
  if (found) return found;
  const study = studyDesign(sources, designId);
  known.set(key, study);
  study.catch(() => known.delete(key));
  for (const old of [...known.keys()].slice(0, -mostKnown)) known.delete(old);
  return study;
}

function sourcesOf(task: PaperTask, tell: (progress: PaperProgress) => void): ComposeFrom {
  const { job, items, book, weather, company, day, recordings } = task;
  const sources: PaperSources = { job, items, book, weather: weather && weatherYearOf(weather) };
  return {
    ...sources,
    company,
    recordings,
    day,
    layOut: async (plan) => fromElk(plan, await (layouts ??= new Elk()).layout(toElk(plan))),
    study: (designId) => studyOf(sources, designId, weather?.id ?? null),
    progress: (share, says) => tell({ share, says }),
  };
}

/**
 * Makes a paper: composes it and sets it, or writes it as a table or a file of files.
 *
 * @param tell how far it is
 */
export async function makePaper(
  task: PaperTask,
  tell: (progress: PaperProgress) => void,
): Promise<MadePaper> {
  const { request, format } = task;
  const from = sourcesOf(task, tell);
  tell({ share: 0.05, says: 'Reading the job' });
  if (format === 'zip') return everything(task, from, tell);
  if (format === 'xlsx' || format === 'csv') {
    const list = partsLines(await from.study(request.designIds[0]!), from.items, from.book);
    const bytes = format === 'csv' ? partsCsv(list) : await partsXlsx(list);
    return { bytes, title: 'Parts list', missing: [], content: null };
  }
  if (format === 'svg')
    return {
      bytes: bundle(await signFiles(from, request), about(task)),
      title: 'Labels',
      missing: [],
      content: null,
    };
  const paper = await composePaper(request, from);
  tell({ share: 0.7, says: 'Setting the pages' });
  return {
    bytes: await pdfOf(task, paper, request),
    title: paper.title,
    missing: paper.missing,
    content: paper.kind === 'card' || paper.kind === 'proposal' ? paper : null,
  };
}

const about = ({ job, day, jobRevision }: PaperTask) => ({ job: job.name, jobRevision, made: day });

function pdfOf(task: PaperTask, paper: Paper, request: PaperRequest): Promise<Buffer> {
  const { job, day, issued, changes, jobRevision, logo } = task;
  const written = inLanguage(paper.language, job.supply.system, job.site.units);
  const shownDay = written.day(day);
  return paperPdf(
    paper,
    request.sheet,
    { issued: issued && { ...issued, day: shownDay }, jobRevision, day: shownDay, changes },
    logo,
  );
}

/** Every label as a file of its own, at its size. */
async function signFiles(from: ComposeFrom, request: PaperRequest): Promise<BundleFile[]> {
  const { plan, wired } = await from.study(request.designIds[0]!);
  return safetyOf(plan, wired).signs.map((sign, index) => ({
    name: `labels/${String(index + 1).padStart(2, '0')}-${fileStem(sign.where)}.svg`,
    bytes: Buffer.from(
      signSvg(
        sign.size.widthMm,
        sign.size.heightMm,
        signShapes(sign, [0, 0], 'Arial, Helvetica, sans-serif'),
      ),
    ),
  }));
}

/** Every paper as PDF, the parts list as tables, the labels as pictures, and a list of them all. */
async function everything(
  task: PaperTask,
  from: ComposeFrom,
  tell: (progress: PaperProgress) => void,
): Promise<MadePaper> {
  const files: BundleFile[] = [];
  const missing = new Map<string, Paper['missing'][number]>();
  const single = task.request.designIds.slice(0, 1);
  for (const [index, kind] of paperKinds.entries()) {
    tell({ share: 0.05 + (0.85 * index) / paperKinds.length, says: `Making the ${shownIn[kind]}` });
    const request: PaperRequest = {
      ...task.request,
      kind,
      without: [],
      designIds: kind === 'proposal' ? task.request.designIds : single,
    };
    const paper = await composePaper(request, { ...from, progress: () => undefined });
    for (const one of paper.missing) missing.set(one.what, one);
    files.push({ name: `${fileStem(paper.title)}.pdf`, bytes: await pdfOf(task, paper, request) });
  }
  tell({ share: 0.92, says: 'Putting everything together' });
  const list = partsLines(await from.study(single[0]!), from.items, from.book);
  files.push({ name: 'Parts-list.csv', bytes: partsCsv(list) });
  files.push({ name: 'Parts-list.xlsx', bytes: await partsXlsx(list) });
  files.push(...(await signFiles(from, { ...task.request, designIds: single })));
  return {
    bytes: bundle(files, about(task)),
    title: 'Papers',
    missing: [...missing.values()],
    content: null,
  };
}
