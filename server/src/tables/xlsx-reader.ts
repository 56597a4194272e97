import { Piscina } from 'piscina';
import { HttpProblem } from '../http/problem.js';
import { refuseBombs, WorkbookTooLarge } from './inflated-size.js';

/** What a workbook of some thousand rows needs is a tenth of this. */
const workerMemoryMB = 256;
const maxWaiting = 8;
/** A workbook within the limits is read in a second or two. */
const maxReadMs = 20_000;

/** Workers are loaded by Node itself, which reads what was compiled; tests run the source. */
const workerFile = new URL(
  import.meta.url.endsWith('.ts') ? '../../dist/tables/read-xlsx.js' : './read-xlsx.js',
  import.meta.url,
).href;

const tooLarge = new HttpProblem(
  422,
  'Too large',
  'The workbook holds too much. Keep the sheet with the table, remove the rest, or save it as CSV.',
);
const noWorkbook = new HttpProblem(
  422,
  'Not a workbook',
  'The file is not an XLSX workbook, or it is damaged. Save it again as XLSX or CSV.',
);
const busy = new HttpProblem(503, 'Busy', 'Other workbooks are being read. Try again in a moment.');

/** Reads workbooks away from the server's thread, with a limit to what they inflate to and to the memory they take. */
export class XlsxReader {
  private pool: Piscina | null = null;

  /**
   * The cells of the first sheet, as text.
   *
   * @throws HttpProblem with words for whoever sent it
   */
  async read(bytes: Buffer): Promise<string[][]> {
    try {
      await refuseBombs(bytes);
      const signal = AbortSignal.timeout(maxReadMs);
      return (await this.workers().run(bytes, { signal })) as string[][];
    } catch (error) {
      throw problemOf(error);
    }
  }

  private workers(): Piscina {
    // Started when the first workbook comes, ended when none has come for a while.
    this.pool ??= new Piscina({
      filename: workerFile,
      minThreads: 0,
      maxThreads: 1,
      maxQueue: maxWaiting,
      idleTimeout: 30_000,
      resourceLimits: { maxOldGenerationSizeMb: workerMemoryMB },
    });
    return this.pool;
  }
}

function problemOf(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof WorkbookTooLarge) return tooLarge;
  const { name, message, code } = error as Error & { code?: string };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY' || name === 'AbortError' || name === 'TimeoutError')
    return tooLarge;
  if (/queue is at limit/i.test(message)) return busy;
  return noWorkbook;
}
