import type { Finding } from '../../base/index.js';
import type { House } from '../../house/index.js';
import type { UnderCode } from '../../rules/index.js';
import { findingOf, judge, markedIds, packFor } from '../../rules/packs.js';
import { surveySubjects } from './survey-subjects.js';

/** A finding about a panel and some of its circuits. */
export interface PanelFinding extends Finding {
  readonly panelId: string;
  readonly circuitIds: readonly string[];
}

/** What the survey gives reason to say about its panels; in the order of the panels. */
export const panelFindings = (house: House & UnderCode): PanelFinding[] =>
  judge(packFor(house), surveySubjects(house)).flatMap((judgement) => {
    const finding = findingOf(judgement);
    return finding
      ? [{ ...finding, panelId: judgement.subject.about, circuitIds: markedIds(judgement) }]
      : [];
  });
