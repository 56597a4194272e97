import { inWordsOf, placeLocale } from '../present/index.js';
import type { CompanySheet } from './company/company-sheet.schema.js';
import { cardBlocks, outageCard } from './card/outage-card.js';
import type { Missing, Paper, PaperPart } from './document/paper.js';
import type { PaperKind, PaperRequest } from './document/paper-request.schema.js';
import { labelsPaper } from './labels/labels-paper.js';
import { partsPaper } from './material/parts-paper.js';
import { packet } from './packet/packet.js';
import { type LayOut, packetOf } from './packet/packet-of.js';
import { proposal } from './proposal/proposal.js';
import type { RecordedOutage } from './report/recorded-outage.js';
import { reportPaper } from './report/report-paper.js';
import type { DesignStudy, PaperSources } from './study/design-study.js';
import { cardWords } from './words/card-words.js';
import { type InLanguage, inLanguage } from './words/in-language.js';
import { proposalWords } from './words/proposal-words.js';
import { signsOf } from '../wiring/index.js';

/** What a paper is composed from. */
export interface ComposeFrom extends PaperSources {
  readonly company: CompanySheet;
  /** Of the staged outages of the job. */
  readonly recordings: readonly RecordedOutage[];
  /** The day it is made, "2026-11-28". */
  readonly day: string;
  readonly layOut: LayOut;
  /** Works a design out; whoever makes several papers of one job works it out once. */
  readonly study: (designId: string) => Promise<DesignStudy>;
  /** Told what is being done, and how much of it is done; throws to stop. */
  readonly progress: (share: number, what: string) => void | Promise<void>;
}

const tradeTitles: Readonly<Record<Exclude<PaperKind, 'proposal' | 'card'>, string>> = {
  packet: 'Permit and utility packet',
  parts: 'Parts list',
  labels: 'Labels',
  report: 'Commissioning report',
};

const tradeCaution =
  'Worked out, not verified: local code, the authority and a licensed electrician decide. Rules are recalled; verify them against the adopted edition.';

/** Papers a household reads are in its language, the others in that of the trade. */
const forHousehold = (kind: PaperKind): kind is 'proposal' | 'card' => kind === 'proposal' || kind === 'card';

/** Composes a paper: works out the designs it shows, and puts together what stands on it. Parts without content are left out. */
export async function composePaper(request: PaperRequest, from: ComposeFrom): Promise<Paper> {
  const { job, company, progress } = from;
  const { kind } = request;
  const language = forHousehold(kind) ? request.language : 'en';
  const studies: DesignStudy[] = [];
  for (const [index, designId] of request.designIds.entries()) {
    await progress(0.1 + (0.4 * index) / request.designIds.length, 'Working out the design');
    studies.push(withJob(await from.study(designId), job));
  }
  const { plan } = studies[0]!;
  const written = inLanguage(language, plan.supply.system, plan.site.units);
  await progress(0.5, 'Putting the paper together');
  const { parts, missing } = await partsOfPaper(request, from, studies, written);
  const locale = placeLocale(plan.supply.system);
  const shown = parts.filter(({ id }) => !(request.without as readonly string[]).includes(id));
  return {
    kind,
    language,
    title: titleOf(kind, written),
    jobName: job.name,
    company: [
      company.name,
      company.address,
      [company.phone, company.mail].filter((one) => one !== '').join(' · '),
      company.licences.map(({ kind: of, number }) => `${of} ${number}`).join(' · '),
    ].filter((line) => line !== ''),
    logo: company.logo,
    caution:
      kind === 'proposal'
        ? proposalWords[language].caution
        : kind === 'card'
          ? cardWords[language].caution
          : inWordsOf(locale, tradeCaution),
    scale: kind === 'card' ? 1.45 : kind === 'proposal' ? 1.1 : 1,
    onOnePage: kind === 'card',
    blocks: kind === 'card' ? cardBlocks(shown) : shown.flatMap(({ blocks }) => blocks),
    missing,
  };
}

/** What no study reads is as the job has it now, though the design was worked out before. */
const withJob = (
  study: DesignStudy,
  { photos, course, openPoints, commissioning, logbook }: PaperSources['job'],
): DesignStudy => ({ ...study, plan: { ...study.plan, photos, course, openPoints, commissioning, logbook } });

function titleOf(kind: PaperKind, { language }: InLanguage): string {
  if (kind === 'proposal') return proposalWords[language].title;
  if (kind === 'card') return cardWords[language].title;
  return tradeTitles[kind];
}

async function partsOfPaper(
  { kind, sheet }: PaperRequest,
  { company, day, items, job, layOut, book, recordings }: ComposeFrom,
  studies: readonly DesignStudy[],
  written: InLanguage,
): Promise<{ readonly parts: readonly PaperPart[]; readonly missing: readonly Missing[] }> {
  const study = studies[0]!;
  switch (kind) {
    case 'proposal':
      return proposal({ studies, items, company, written, words: proposalWords[written.language], day });
    case 'packet':
      return packet(packetOf(study, { items, company, jobName: job.name, day, layOut }));
    case 'parts':
      return partsPaper(study, items, book, written);
    case 'labels':
      return labelsPaper(study, signsOf(study.plan, study.wired), sheet);
    case 'card':
      return outageCard(study, company, written);
    case 'report':
      return reportPaper(study, recordings);
  }
}
