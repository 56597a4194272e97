import type { ContentText } from 'pdfmake/interfaces.js';
import { coveredRuns } from './covered-text.js';

/** A text as the faces of a paper set it: one piece where one face does, else piece by piece. */
export function printed(text: string): ContentText['text'] {
  const runs = coveredRuns(text);
  if (runs.length === 0) return '';
  const [first] = runs;
  if (runs.length === 1 && first!.face === 'Roboto' && !first!.breaks) return first!.text;
  return runs.map((run) => ({
    text: run.text,
    font: run.face,
    ...(run.breaks ? { wordBreak: 'break-all' as const } : {}),
  }));
}
