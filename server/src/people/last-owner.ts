import type { EntityManager } from 'typeorm';
import { HttpProblem } from '../http/problem.js';
import { MembershipEntity } from './people-entities.js';

/**
 * A company keeps at least one owner. Until the transaction ends nobody else changes who owns it.
 *
 * @param accountId who shall own it no longer
 * @throws HttpProblem 409 where nobody would own the company any more
 */
export async function refuseLastOwner(
  manager: EntityManager,
  workspaceId: string,
  accountId: string,
): Promise<void> {
  await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 16))', [workspaceId]);
  const owners = await manager.findBy(MembershipEntity, { workspaceId, role: 'owner' });
  if (owners.length === 1 && owners[0]!.accountId === accountId)
    throw new HttpProblem(
      409,
      'The last owner',
      'A company keeps at least one owner: make somebody else one first.',
    );
}
