import type { Source } from './figure.js';

/** Where a value comes from, in words a reader can act on. */
export function sourceText(source: Source): string {
  switch (source.kind) {
    case 'derived':
      return 'Worked out from the figures it rests on';
    case 'published':
      return `${source.reference} (recalled; verify against the adopted edition)`;
    case 'common-practice':
      return 'Common practice, no source';
    case 'assumed':
      return `Assumed: ${source.why}`;
    case 'catalogue':
      return `Catalogue entry of ${source.unit} (invented unit)`;
    case 'typical':
      return 'Typical value from the load library';
    case 'nameplate':
      return 'Nameplate';
    case 'measured':
      return 'Measured';
    case 'bills':
      return 'What the bills contain beside the loads that are listed';
    case 'user':
      return 'Entered in this job';
  }
}
