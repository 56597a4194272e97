import type { PersonalData } from '@levamen/core/api';
import type { DataSource } from 'typeorm';
import { HttpProblem, notFound } from '../http/problem.js';
import { refuseLastOwner } from '../people/last-owner.js';
import { AccountEntity } from '../people/people-entities.js';

interface Line {
  readonly at: Date;
  readonly what: string;
  readonly device: string;
  readonly job: string | null;
}

/** What a workspace knows of a person, and how it is taken out of it. */
export class PersonalDataStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** Everything that is kept of a member, in this workspace. */
  async of(accountId: string): Promise<PersonalData> {
    const account = await this.source.manager.findOneBy(AccountEntity, { id: accountId });
    const [membership] = await this.source.query<{ role: string; since: Date }[]>(
      'SELECT role, since FROM membership WHERE workspace_id = $1 AND account_id = $2',
      [this.workspaceId, accountId],
    );
    if (!account || !membership) throw notFound('member');
    const both = [this.workspaceId, accountId];
    const [sessions, given, lines] = await Promise.all([
      this.source.query<{ device: string; at: string }[]>(
        `SELECT sess ->> 'device' AS device, sess ->> 'signedInAt' AS at FROM session WHERE sess ->> 'accountId' = $1`,
        [accountId],
      ),
      this.source.query<{ name: string }[]>(
        `SELECT j.name FROM job_assignment a JOIN job j ON j.id = a.job_id WHERE a.workspace_id = $1 AND a.account_id = $2 ORDER BY j.name`,
        both,
      ),
      this.source.query<Line[]>(
        `SELECT r.saved_at AS at, 'revision ' || r.revision AS what, r.device, j.name AS job
           FROM job_revision r JOIN job j ON j.id = r.job_id WHERE r.workspace_id = $1 AND r.account_id = $2
         UNION ALL
         SELECT d.at, d.deed, d.device, j.name FROM deed d LEFT JOIN job j ON j.id = d.job_id
           WHERE d.workspace_id = $1 AND d.account_id = $2
         UNION ALL
         SELECT e.changed_at, 'equipment, revision ' || e.revision, '', NULL FROM equipment_revision e
           WHERE e.workspace_id = $1 AND e.account_id = $2
         UNION ALL
         SELECT c.changed_at, 'rules, revision ' || c.revision, '', NULL FROM company_rules c
           WHERE c.workspace_id = $1 AND c.account_id = $2
         UNION ALL
         SELECT q.began_at, 'recording "' || q.name || '"', q.device, j.name FROM recording q JOIN job j ON j.id = q.job_id
           WHERE q.workspace_id = $1 AND q.account_id = $2
         UNION ALL
         SELECT t.at, 'training on "' || (t.result ->> 'house') || '"', t.device, NULL FROM training_run t
           WHERE t.workspace_id = $1 AND t.account_id = $2
         ORDER BY at`,
        both,
      ),
    ]);
    return {
      name: account.name,
      email: account.email,
      since: account.createdAt.toISOString(),
      role: membership.role,
      memberSince: membership.since.toISOString(),
      secondFactor: account.totpSecret !== null,
      sessions: sessions.map(({ device, at }) => ({ device, signedInAt: at })),
      jobsGiven: given.map(({ name }) => name),
      did: lines.map(({ at, what, device, job }) => ({ at: at.toISOString(), what, device, job })),
    };
  }

  /**
   * Takes a person out of everything; what he did stays, without his name.
   *
   * @returns in how many lines he stood
   * @throws HttpProblem 409 where he is a member of another company, too, or the last owner
   */
  async erase(accountId: string): Promise<number> {
    return this.source.transaction(async (manager) => {
      await refuseLastOwner(manager, this.workspaceId, accountId);
      const [row] = await manager.query<{ lines: number | null }[]>('SELECT erase_person($1, $2) AS lines', [
        accountId,
        this.workspaceId,
      ]);
      const lines = row?.lines ?? null;
      if (lines === null)
        throw new HttpProblem(
          409,
          'Not erased',
          'Nobody is erased who is no member here, or a member of another company, too: remove him, and let him ask there.',
        );
      return lines;
    });
  }
}
