import { randomBytes, randomUUID } from 'node:crypto';
import type { Invitation, Invited, Member, People, Retention, Role } from '@levamen/core/api';
import { IsNull, MoreThan, type DataSource, type EntityManager } from 'typeorm';
import * as z from 'zod';
import { digestOf } from '../blobs/blob-store.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { WorkspaceEntity } from '../store/entities.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { actingFor } from '../workspaces/fence.js';
import { fits, hashOf, refuseWeak } from './password.js';
import { newRecoveryCodes, noFactor, stepOfCode, usedUp } from './second-factor.js';
import {
  AccountEntity,
  type AccountRow,
  InvitationEntity,
  type InvitationRow,
  JobAssignmentEntity,
  MembershipEntity,
} from './people-entities.js';
import { refuseLastOwner } from './last-owner.js';
import { WrongSecret } from './sign-in-limits.js';

/** Days a link may be used. */
const linkDays = { invitation: 7, reset: 1, forgotten: 1 } as const;
/** Letters a mail address gets within an hour at most. */
const lettersPerHour = 3;

/** A link, with what a letter says of it. */
export interface MadeLink {
  readonly id: string;
  /** Under the program's address; given once. */
  readonly path: string;
  readonly email: string;
  readonly company: string;
}

export interface MembershipOf {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** The company asks for a second factor. */
  readonly secondFactor: boolean;
}

const uuidLength = 36;
const unusable = (): HttpProblem =>
  new HttpProblem(
    404,
    'This link is not good any more',
    'It has been used, has run out, or was never made. Ask the owner of the company for another.',
  );

/** Accounts, who is a member of what, and the links by which somebody becomes one. */
export class PeopleStore {
  constructor(private readonly source: DataSource) {}

  /** Has nobody an account yet? */
  async isEmpty(): Promise<boolean> {
    return !(await this.source.manager.exists(AccountEntity));
  }

  /** The first account; it owns the workspace that has been there from the beginning. */
  async setUp(asked: {
    readonly company: string;
    readonly name: string;
    readonly email: string;
    readonly password: string;
  }): Promise<AccountRow> {
    const { company, name, email, password } = asked;
    await refuseWeak(password, [company, name, email]);
    const passwordHash = await hashOf(password);
    return actingFor({ workspaceId: defaultWorkspaceId, accountId: null }, () =>
      this.source.transaction(async (manager) => {
        await manager.query('SELECT pg_advisory_xact_lock(15)');
        if (await manager.exists(AccountEntity))
          throw new HttpProblem(
            409,
            'Somebody was first',
            'This installation has an owner: sign in, or ask him for an invitation.',
          );
        await manager.update(WorkspaceEntity, { id: defaultWorkspaceId }, { name: company });
        const account = await this.add(manager, { name, email, passwordHash });
        await manager.insert(MembershipEntity, {
          workspaceId: defaultWorkspaceId,
          accountId: account.id,
          role: 'owner',
        });
        return account;
      }),
    );
  }

  /** The account a mail address and a password belong to; null where they belong to none. */
  async known(email: string, password: string): Promise<AccountRow | null> {
    const account = await this.source.manager.findOneBy(AccountEntity, { email });
    return (await fits(password, account?.passwordHash ?? null)) ? account : null;
  }

  account(id: string): Promise<AccountRow | null> {
    return this.source.manager.findOneBy(AccountEntity, { id });
  }

  /** What an account is a member of, the longest first. */
  async memberships(accountId: string): Promise<MembershipOf[]> {
    return actingFor({ workspaceId: null, accountId }, () =>
      this.source.query<MembershipOf[]>(
        `SELECT w.id, w.name, w.second_factor AS "secondFactor", m.role FROM membership m JOIN workspace w ON w.id = m.workspace_id
         WHERE m.account_id = $1 ORDER BY m.since, w.id`,
        [accountId],
      ),
    );
  }

  /**
   * Uses a code of a second factor up; false = it is none of the account's.
   *
   * Two that come at once with the same code: one of them is taken.
   */
  useCode(accountId: string, code: string): Promise<boolean> {
    return this.source.transaction(async (manager) => {
      const account = await manager.findOneOrFail(AccountEntity, {
        where: { id: accountId },
        lock: { mode: 'pessimistic_write' },
      });
      const left = await usedUp(account, code);
      if (!left) return false;
      await manager.update(AccountEntity, { id: accountId }, left);
      return true;
    });
  }

  /** A second factor, once a code of it has come; recovery codes are given once. */
  async addFactor(accountId: string, secret: string, code: string): Promise<readonly string[]> {
    const step = await stepOfCode(secret, code, 0);
    if (step === null)
      throw new HttpProblem(
        422,
        'Not added',
        'This is not the code of that key now: look at the clock of the device.',
        [{ path: 'code', message: 'This is not the code of that key now' }],
      );
    const { codes, digests } = newRecoveryCodes();
    await this.source.manager.update(
      AccountEntity,
      { id: accountId },
      { totpSecret: secret, totpStep: step, recovery: digests },
    );
    return codes;
  }

  /** @throws HttpProblem 409 where a company of the account asks for one */
  async removeFactor(accountId: string, password: string): Promise<void> {
    await this.knownBy(accountId, password, 'password');
    if ((await this.memberships(accountId)).some(({ secondFactor }) => secondFactor))
      throw new HttpProblem(409, 'Asked for', 'Your company asks for a second factor.');
    await this.source.manager.update(AccountEntity, { id: accountId }, noFactor);
  }

  /** Do members of a company sign in with a second factor? */
  async askForFactor(workspaceId: string, secondFactor: boolean): Promise<void> {
    await this.source.manager.update(WorkspaceEntity, { id: workspaceId }, { secondFactor });
  }

  /** How long a company keeps what nobody works on any more. */
  async keepFor(workspaceId: string, retention: Retention): Promise<void> {
    await this.source.manager.update(WorkspaceEntity, { id: workspaceId }, retention);
  }

  /** Another company of this installation; whoever uses the link owns it. */
  async found(name: string, email: string): Promise<MadeLink> {
    const id = randomUUID();
    return actingFor({ workspaceId: id, accountId: null }, async () => {
      await this.source.manager.insert(WorkspaceEntity, { id, name });
      return this.link(id, 'invitation', email, 'owner');
    });
  }

  /**
   * An account whose owner has shown its password once more.
   *
   * @param field where he entered it
   */
  private async knownBy(accountId: string, password: string, field: string): Promise<AccountRow> {
    const account = await this.account(accountId);
    if (account && (await fits(password, account.passwordHash))) return account;
    throw new WrongSecret(422, 'Not changed', 'The password you have now is another one.', [
      { path: field, message: 'This is not your password' },
    ]);
  }

  /** @throws HttpProblem 422 where the old one is wrong, or the new one weak */
  async changePassword(accountId: string, before: string, password: string): Promise<void> {
    const account = await this.knownBy(accountId, before, 'before');
    await this.setPassword(account, password);
  }

  private async setPassword(
    { id, name, email }: AccountRow,
    password: string,
    manager: EntityManager = this.source.manager,
  ): Promise<void> {
    await refuseWeak(password, [name, email]);
    await manager.update(AccountEntity, { id }, { passwordHash: await hashOf(password) });
  }

  private async add(
    manager: EntityManager,
    account: Pick<AccountRow, 'name' | 'email' | 'passwordHash'>,
  ): Promise<AccountRow> {
    const { identifiers } = await manager.insert(AccountEntity, account);
    return manager.findOneByOrFail(AccountEntity, { id: (identifiers[0] as { id: string }).id });
  }

  private async members(workspaceId: string): Promise<Member[]> {
    const rows = await this.source.query<(Omit<Member, 'since'> & { since: Date })[]>(
      `SELECT a.id AS "accountId", a.name, a.email, a.totp_secret IS NOT NULL AS "secondFactor", m.role, m.since FROM membership m
       JOIN account a ON a.id = m.account_id WHERE m.workspace_id = $1 ORDER BY lower(a.name), a.id`,
      [workspaceId],
    );
    return rows.map((member) => ({ ...member, since: member.since.toISOString() }));
  }

  async people(workspaceId: string): Promise<People> {
    const open = await this.source.manager.find(InvitationEntity, {
      where: { workspaceId, usedAt: IsNull(), expiresAt: MoreThan(new Date()) },
      order: { createdAt: 'DESC' },
    });
    const company = await this.source.manager.findOneByOrFail(WorkspaceEntity, { id: workspaceId });
    return {
      secondFactor: company.secondFactor,
      retention: { binDays: company.binDays, logDays: company.logDays },
      // The company that was first looks after the installation.
      mayFound: workspaceId === defaultWorkspaceId,
      members: await this.members(workspaceId),
      invitations: open.map(({ id, kind, email, role, expiresAt }): Invitation => ({
        id,
        kind,
        email,
        role,
        expiresAt: expiresAt.toISOString(),
      })),
    };
  }

  /** Invites somebody; the path of the link is given once. */
  async invite(workspaceId: string, email: string, role: Role): Promise<MadeLink> {
    const members = await this.members(workspaceId);
    if (members.some((member) => member.email === email))
      throw new HttpProblem(409, 'A member already', `${email} is a member of this company already.`);
    return this.link(workspaceId, 'invitation', email, role);
  }

  /** A link by which a member sets his password anew. */
  async reset(workspaceId: string, accountId: string): Promise<MadeLink> {
    const member = (await this.members(workspaceId)).find((one) => one.accountId === accountId);
    if (!member) throw notFound('member');
    // Whoever sets a password anew is let in wherever its account is a member.
    if ((await this.memberships(accountId)).some(({ id }) => id !== workspaceId))
      throw new HttpProblem(
        409,
        'A member elsewhere',
        `${member.name} is a member of another company, too: nobody but ${member.name} changes this password.`,
      );
    return this.link(workspaceId, 'reset', member.email, member.role);
  }

  /** A link for somebody who has forgotten his password; null where there is no such account, or it was sent some already. */
  async forgotten(email: string): Promise<MadeLink | null> {
    const account = await this.source.manager.findOneBy(AccountEntity, { email });
    const company = account && (await this.memberships(account.id))[0];
    if (!company) return null;
    return actingFor({ workspaceId: company.id, accountId: null }, async () => {
      const recent = await this.source.manager.countBy(InvitationEntity, {
        workspaceId: company.id,
        email,
        kind: 'forgotten',
        createdAt: MoreThan(new Date(Date.now() - 3_600_000)),
      });
      return recent < lettersPerHour ? this.link(company.id, 'forgotten', email, company.role) : null;
    });
  }

  private async link(
    workspaceId: string,
    kind: InvitationRow['kind'],
    email: string,
    role: Role,
  ): Promise<MadeLink> {
    const secret = randomBytes(24).toString('base64url');
    const { identifiers } = await this.source.manager.insert(InvitationEntity, {
      workspaceId,
      kind,
      email,
      role,
      digest: digestOf(secret),
      expiresAt: new Date(Date.now() + linkDays[kind] * 86_400_000),
    });
    const { id } = identifiers[0] as { id: string };
    // The workspace stands in it: before somebody is a member, nothing else says where to look.
    const { name } = await this.source.manager.findOneByOrFail(WorkspaceEntity, { id: workspaceId });
    return { id, path: `/join/${workspaceId}_${secret}`, email, company: name };
  }

  async withdraw(workspaceId: string, id: string): Promise<void> {
    const { affected } = await this.source.manager.delete(InvitationEntity, {
      workspaceId,
      id,
      usedAt: IsNull(),
    });
    if (affected === 0) throw notFound('invitation');
  }

  /** Looks a link up, acting for its workspace. */
  private byLink<Result>(
    link: string,
    work: (invitation: InvitationRow, manager: EntityManager) => Promise<Result>,
  ): Promise<Result> {
    const workspaceId = link.slice(0, uuidLength);
    const secret = link.slice(uuidLength + 1);
    if (!z.uuid().safeParse(workspaceId).success) throw unusable();
    return actingFor({ workspaceId, accountId: null }, () =>
      this.source.transaction(async (manager) => {
        const invitation = await manager.findOne(InvitationEntity, {
          where: { workspaceId, digest: digestOf(secret), usedAt: IsNull(), expiresAt: MoreThan(new Date()) },
          lock: { mode: 'pessimistic_write' },
        });
        if (!invitation) throw unusable();
        return work(invitation, manager);
      }),
    );
  }

  /** What a link is good for. */
  invited(link: string): Promise<Invited> {
    return this.byLink(link, async ({ kind, email, role, workspaceId }, manager) => {
      const { name } = await manager.findOneByOrFail(WorkspaceEntity, { id: workspaceId });
      return {
        kind,
        email,
        role,
        company: name,
        hasAccount: await manager.existsBy(AccountEntity, { email }),
      };
    });
  }

  /** Uses a link up: a new member, with his account or a new one; or another password. */
  async accept(
    link: string,
    { name, password }: { readonly name?: string | undefined; readonly password: string },
  ): Promise<AccountRow> {
    return this.byLink(link, async ({ id, kind, email, role, workspaceId }, manager) => {
      const account = await manager.findOneBy(AccountEntity, { email });
      await manager.update(InvitationEntity, { id }, { usedAt: new Date() });
      if (kind === 'forgotten') {
        if (!account) throw unusable();
        await this.setPassword(account, password, manager);
        return account;
      }
      if (kind === 'reset') {
        if (!account) throw unusable();
        // Whoever lost the telephone, too, is let in by the owner's word.
        await manager.update(AccountEntity, { id: account.id }, noFactor);
        await this.setPassword(account, password, manager);
        return { ...account, ...noFactor };
      }
      if (account && !(await fits(password, account.passwordHash)))
        throw new WrongSecret(422, 'Not joined', `${email} has an account already: enter its password.`, [
          { path: 'password', message: 'This is not the password of that account' },
        ]);
      if (!account && name === undefined)
        throw new HttpProblem(400, 'Bad request', 'Enter your name.', [
          { path: 'name', message: 'Enter your name' },
        ]);
      let member = account;
      if (!member) {
        await refuseWeak(password, [name!, email]);
        member = await this.add(manager, { name: name!, email, passwordHash: await hashOf(password) });
      }
      await manager.upsert(MembershipEntity, { workspaceId, accountId: member.id, role }, [
        'workspaceId',
        'accountId',
      ]);
      return member;
    });
  }

  /** @throws HttpProblem 409 where nobody would own the company any more */
  async setRole(workspaceId: string, accountId: string, role: Role | null): Promise<void> {
    await this.source.transaction(async (manager) => {
      if (role !== 'owner') await refuseLastOwner(manager, workspaceId, accountId);
      if (!(await manager.existsBy(MembershipEntity, { workspaceId, accountId }))) throw notFound('member');
      if (role === null) {
        await manager.delete(JobAssignmentEntity, { workspaceId, accountId });
        await manager.delete(MembershipEntity, { workspaceId, accountId });
      } else await manager.update(MembershipEntity, { workspaceId, accountId }, { role });
    });
  }

  /** Members a job is given to. */
  async assigned(jobId: string): Promise<string[]> {
    const rows = await this.source.manager.findBy(JobAssignmentEntity, { jobId });
    return rows.map(({ accountId }) => accountId);
  }

  async assign(workspaceId: string, jobId: string, accountIds: readonly string[]): Promise<void> {
    await this.source.transaction(async (manager) => {
      const members = new Set(
        (await manager.findBy(MembershipEntity, { workspaceId })).map(({ accountId }) => accountId),
      );
      if (accountIds.some((id) => !members.has(id))) throw notFound('member');
      await manager.delete(JobAssignmentEntity, { jobId });
      if (accountIds.length > 0)
        await manager.insert(
          JobAssignmentEntity,
          [...new Set(accountIds)].map((accountId) => ({ jobId, accountId, workspaceId })),
        );
    });
  }
}
