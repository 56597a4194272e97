import { isDeepStrictEqual } from 'node:util';
import { type CompanyRules, type CompanyRulesChange, companyRulesSchema, type Who } from '@levamen/core/api';
import type { Job } from '@levamen/core/job';
import type { DataSource, EntityManager } from 'typeorm';
import { HttpProblem } from '../http/problem.js';
import { CompanyRulesEntity } from './company-rules-entity.js';

const none: CompanyRules = { revision: 0, rules: [], actor: '', changedAt: null };

/** The rules that a company adds to the code, with all their revisions. */
export class CompanyRulesStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** The rules as they are now. */
  read(): Promise<CompanyRules> {
    return this.head(this.source.manager);
  }

  /** A new job, judged by the rules of its company where it brings none. */
  async begunWith(job: Job): Promise<Job> {
    if (job.code.rules.length > 0) return job;
    const { rules } = await this.read();
    return rules.length === 0 ? job : { ...job, code: { ...job.code, rules } };
  }

  /** Takes other rules, and gives those there are then. 409 where somebody else has changed them since the base. */
  async change({ baseRevision, said, rules }: CompanyRulesChange, who: Who): Promise<CompanyRules> {
    return this.source.transaction(async (manager) => {
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 14))', [this.workspaceId]);
      const head = await this.head(manager);
      if (isDeepStrictEqual(rules, head.rules)) return head;
      if (baseRevision !== head.revision)
        throw new HttpProblem(
          409,
          'Somebody else has changed the rules',
          `${head.actor === '' ? 'Somebody' : head.actor} has changed the rules of the company since they were looked at. They are shown as they are now: look again, then keep yours.`,
        );
      await manager.insert(CompanyRulesEntity, {
        workspaceId: this.workspaceId,
        revision: head.revision + 1,
        said,
        ...who,
        rules,
      });
      return this.head(manager);
    });
  }

  private async head(manager: EntityManager): Promise<CompanyRules> {
    const row = await manager.findOne(CompanyRulesEntity, {
      where: { workspaceId: this.workspaceId },
      order: { revision: 'DESC' },
    });
    if (!row) return none;
    const { revision, rules, actor, changedAt } = row;
    return companyRulesSchema.parse({ revision, rules, actor, changedAt: changedAt.toISOString() });
  }
}
