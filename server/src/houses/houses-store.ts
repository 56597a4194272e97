import type { HouseAnswer, HousesDue, HousesRun, HousesRunAnswers } from '@levamen/core/api';
import type { HousesQuestion } from '@levamen/core/logbook';
import { type DataSource, IsNull } from 'typeorm';
import { HttpProblem } from '../http/problem.js';
import { HousesRunEntity } from './houses-entities.js';

/** Answers to earlier questions are kept so long. */
const keptRuns = 20;
/** Jobs that are given to a worker together. */
const atOnce = 8;
const mostDue = 500;

interface RunRow {
  id: string;
  asked: HousesQuestion;
  created_at: Date;
  cancelled_at: Date | null;
  houses: number;
  answered: number;
}

/** Some houses of a question, as they wait in the queue. */
export interface HousesTask {
  readonly runId: string;
  readonly workspaceId: string;
  readonly jobIds: readonly string[];
}

const runOf = ({ id, asked, created_at, cancelled_at, houses, answered }: RunRow): HousesRun => ({
  id,
  asked,
  at: created_at.toISOString(),
  houses,
  answered,
  isCancelled: cancelled_at !== null,
});

/** Questions about all houses of a workspace, and their answers. */
export class HousesStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** The questions that were asked last, the newest first. */
  async list(): Promise<HousesRun[]> {
    return (await this.rows(null)).map(runOf);
  }

  /** One with its answers; null where there is none. */
  async read(id: string): Promise<HousesRunAnswers | null> {
    const [row] = await this.rows(id);
    if (!row) return null;
    const answers = await this.source.query<
      { job_id: string; name: string; place: string; answer: HouseAnswer }[]
    >(
      `SELECT a.job_id, j.name, j.place, a.answer FROM houses_answer a JOIN job j ON j.id = a.job_id
        WHERE a.run_id = $1 AND a.workspace_id = $2 AND a.answer IS NOT NULL AND j.deleted_at IS NULL
        ORDER BY j.name, a.job_id`,
      [id, this.workspaceId],
    );
    return {
      run: runOf(row),
      answers: answers.map(({ job_id: jobId, name, place, answer }) => ({ jobId, name, place, answer })),
    };
  }

  /**
   * Asks all houses that are so far.
   *
   * @returns what has to be worked on
   * @throws HttpProblem 422 where no house is
   */
  async ask(asked: HousesQuestion): Promise<{ run: HousesRun; tasks: HousesTask[] }> {
    return this.source.transaction(async (manager) => {
      await manager.query(
        `DELETE FROM houses_run WHERE workspace_id = $1 AND id NOT IN (
           SELECT id FROM houses_run WHERE workspace_id = $1 ORDER BY created_at DESC LIMIT $2)`,
        [this.workspaceId, keptRuns - 1],
      );
      const { id, createdAt } = await manager.save(HousesRunEntity, { workspaceId: this.workspaceId, asked });
      const jobs = await manager.query<{ job_id: string }[]>(
        `INSERT INTO houses_answer (run_id, job_id, workspace_id)
           SELECT $1, id, workspace_id FROM job
            WHERE workspace_id = $2 AND deleted_at IS NULL AND state = ANY($3)
         RETURNING job_id`,
        [id, this.workspaceId, asked.states],
      );
      if (jobs.length === 0)
        throw new HttpProblem(
          422,
          'No house is so far',
          'No job has reached one of these states. Choose others, or enter in the course of a job how far it is.',
        );
      return {
        run: {
          id,
          asked,
          at: createdAt.toISOString(),
          houses: jobs.length,
          answered: 0,
          isCancelled: false,
        },
        tasks: this.tasksOf(
          id,
          jobs.map(({ job_id }) => job_id),
        ),
      };
    });
  }

  /** Calls a question off; false where there is no such one, or it is through. */
  async cancel(id: string): Promise<boolean> {
    const { affected } = await this.source.manager.update(
      HousesRunEntity,
      { id, workspaceId: this.workspaceId, cancelledAt: IsNull() },
      { cancelledAt: new Date() },
    );
    return affected === 1;
  }

  /** What a question asks, and which of these jobs have not answered; null where it is called off, or gone. */
  async waiting(
    id: string,
    jobIds: readonly string[],
  ): Promise<{ asked: HousesQuestion; jobIds: string[] } | null> {
    const run = await this.source.manager.findOneBy(HousesRunEntity, {
      id,
      workspaceId: this.workspaceId,
      cancelledAt: IsNull(),
    });
    if (!run) return null;
    const rows = await this.source.query<{ job_id: string }[]>(
      'SELECT job_id FROM houses_answer WHERE run_id = $1 AND job_id = ANY($2) AND answer IS NULL ORDER BY job_id',
      [id, jobIds],
    );
    return { asked: run.asked, jobIds: rows.map(({ job_id }) => job_id) };
  }

  /** Keeps what a house answers, once. */
  async answer(id: string, jobId: string, answer: HouseAnswer): Promise<void> {
    await this.source.query(
      `WITH heard AS (UPDATE houses_run SET heard_at = now() WHERE id = $1 RETURNING id)
       UPDATE houses_answer SET answer = $3::jsonb FROM heard
        WHERE run_id = heard.id AND job_id = $2 AND answer IS NULL`,
      [id, jobId, JSON.stringify(answer)],
    );
  }

  /** Everything of a question that nobody has answered. */
  async left(id: string): Promise<HousesTask[]> {
    const rows = await this.source.query<{ job_id: string }[]>(
      'SELECT job_id FROM houses_answer WHERE run_id = $1 AND answer IS NULL ORDER BY job_id',
      [id],
    );
    return this.tasksOf(
      id,
      rows.map(({ job_id }) => job_id),
    );
  }

  /** What is due at all houses until a day, the earliest first. */
  async due(until: string): Promise<HousesDue> {
    return this.source.query<HousesDue>(
      `SELECT j.id AS "jobId", j.name, j.place, NULLIF(j.state, '') AS state, d.kind, d."on", d.text
         FROM job j CROSS JOIN LATERAL jsonb_to_recordset(j.dues) AS d(kind text, "on" text, text text)
        WHERE j.workspace_id = $1 AND j.deleted_at IS NULL AND d."on" <= $2
        ORDER BY d."on", j.name, j.id LIMIT $3`,
      [this.workspaceId, until, mostDue],
    );
  }

  private tasksOf(runId: string, jobIds: readonly string[]): HousesTask[] {
    const tasks: HousesTask[] = [];
    for (let from = 0; from < jobIds.length; from += atOnce)
      tasks.push({ runId, workspaceId: this.workspaceId, jobIds: jobIds.slice(from, from + atOnce) });
    return tasks;
  }

  private rows(id: string | null): Promise<RunRow[]> {
    return this.source.query<RunRow[]>(
      `SELECT r.id, r.asked, r.created_at, r.cancelled_at, count(a.job_id)::int AS houses, count(a.answer)::int AS answered
         FROM houses_run r LEFT JOIN houses_answer a ON a.run_id = r.id
        WHERE r.workspace_id = $1 AND ($2::uuid IS NULL OR r.id = $2)
        GROUP BY r.id ORDER BY r.created_at DESC`,
      [this.workspaceId, id],
    );
  }
}
