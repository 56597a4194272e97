import { isDeepStrictEqual } from 'node:util';
import {
  type CompanySheetChange,
  type KeptCompanySheet,
  keptCompanySheetSchema,
  type Who,
} from '@levamen/core/api';
import { emptyCompanySheet } from '@levamen/core/papers';
import type { DataSource, EntityManager } from 'typeorm';
import { BlobStore } from '../blobs/blob-store.js';
import { HttpProblem } from '../http/problem.js';
import { CompanySheetEntity } from './company-sheet-entity.js';

/** What a company prints on its papers, with all its revisions, and its mark. */
export class CompanySheetStore {
  private readonly blobs: BlobStore;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.blobs = new BlobStore(workspaceId);
  }

  /** The sheet as it is now. */
  read(): Promise<KeptCompanySheet> {
    return this.head(this.source.manager);
  }

  /** Takes another sheet, and gives the one there is then. 409 where somebody else has changed it since the base. */
  async change({ baseRevision, sheet }: CompanySheetChange, who: Who): Promise<KeptCompanySheet> {
    return this.source.transaction(async (manager) => {
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 15))', [this.workspaceId]);
      const head = await this.head(manager);
      if (isDeepStrictEqual(sheet, head.sheet)) return head;
      if (baseRevision !== head.revision)
        throw new HttpProblem(
          409,
          'Somebody else has changed the company sheet',
          `${head.actor === '' ? 'Somebody' : head.actor} has changed it since it was looked at. It is shown as it is now: look again, then keep yours.`,
        );
      if (sheet.logo !== null && (await this.blobs.read(manager, sheet.logo)) === null)
        throw new HttpProblem(
          422,
          'No such picture',
          'Choose the mark of the company again: it is not kept here.',
        );
      await manager.insert(CompanySheetEntity, {
        workspaceId: this.workspaceId,
        revision: head.revision + 1,
        ...who,
        sheet,
      });
      return this.head(manager);
    });
  }

  /** Keeps the bytes of a mark and answers with their digest. */
  async keepLogo(payload: Buffer): Promise<string> {
    return this.source.transaction((manager) => this.blobs.keep(manager, payload));
  }

  /** The mark that a revision of the sheet names; null where none does. */
  async logo(digest: string): Promise<Buffer | null> {
    const [named] = await this.source.query<unknown[]>(
      "SELECT 1 FROM company_sheet WHERE workspace_id = $1 AND sheet ->> 'logo' = $2 LIMIT 1",
      [this.workspaceId, digest],
    );
    return named ? this.blobs.read(this.source.manager, digest) : null;
  }

  private async head(manager: EntityManager): Promise<KeptCompanySheet> {
    const row = await manager.findOne(CompanySheetEntity, {
      where: { workspaceId: this.workspaceId },
      order: { revision: 'DESC' },
    });
    if (!row) return { revision: 0, sheet: emptyCompanySheet(), actor: '', changedAt: null };
    const { revision, sheet, actor, changedAt } = row;
    return keptCompanySheetSchema.parse({ revision, sheet, actor, changedAt: changedAt.toISOString() });
  }
}
