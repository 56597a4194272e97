import type { KeptTrainingRun, NewTrainingRun, Who } from '@levamen/core/api';
import { mostTrainingRuns } from '@levamen/core/api';
import type { DataSource } from 'typeorm';
import { TrainingEntity, type TrainingRow } from './training-entity.js';

/** Whose runs are asked for: an account's, or everybody's. */
export interface Trainee {
  readonly accountId: string | null;
  readonly seesAll: boolean;
}

/** How members of a workspace did at training. */
export class TrainingStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** The last runs, newest first. */
  async list({ accountId, seesAll }: Trainee): Promise<KeptTrainingRun[]> {
    const query = this.source.manager
      .createQueryBuilder(TrainingEntity, 'run')
      .where('run.workspaceId = :workspaceId', { workspaceId: this.workspaceId })
      .orderBy('run.at', 'DESC')
      .limit(mostTrainingRuns);
    if (!seesAll) query.andWhere('run.accountId IS NOT DISTINCT FROM :accountId', { accountId });
    return (await query.getMany()).map((row) => keptOf(row, accountId));
  }

  async keep(result: NewTrainingRun, who: Who, accountId: string | null): Promise<KeptTrainingRun> {
    const row = await this.source.manager.save(TrainingEntity, {
      workspaceId: this.workspaceId,
      result,
      at: new Date(),
      ...who,
    });
    return keptOf({ ...row, accountId }, accountId);
  }
}

const keptOf = (
  { id, at, actor, result, accountId }: TrainingRow,
  asker: string | null,
): KeptTrainingRun => ({
  ...result,
  id,
  at: at.toISOString(),
  actor,
  isMine: accountId === asker,
});
