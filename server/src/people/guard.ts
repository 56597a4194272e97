import type { Request, RequestHandler } from 'express';
import { HttpProblem, notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { type Access, accessOf, grantAccess } from './access.js';
import type { PeopleStore } from './people-store.js';
import { leastRole, mayAs } from './rights.js';
import { refuseWithoutToken } from './session-routes.js';
import type { Sessions } from './sessions.js';

/** The demo's owner, invented: on this machine, where nobody else can ask. */
const demoOwner: Access = {
  accountId: null,
  name: '',
  email: '',
  workspaceId: defaultWorkspaceId,
  workspaces: [{ id: defaultWorkspaceId, name: '', role: 'owner' }],
  role: 'owner',
  automatic: true,
  secondFactor: false,
  mustAddFactor: false,
};

/** What only accounts have: everything of a session but who asks, and changes of people. */
const isOfAccounts = ({ method, path }: Request): boolean =>
  (method === 'GET' || method === 'HEAD' ? /^\/session\/./ : /^\/(session|people)(\/|$)/).test(path);

/** Every request is somebody's without his signing in: the demo, which serves this machine only. */
export const automaticAccess: RequestHandler = (request, _response, next) => {
  if (isOfAccounts(request))
    throw new HttpProblem(
      409,
      'No accounts here',
      'This installation signs in by itself, and serves this machine only.',
    );
  grantAccess(request, demoOwner);
  next();
};

/** Finds out who asks, by the session. A membership that has ended, or another role, counts at once. */
export function sessionAccess(people: PeopleStore, sessions: Sessions): RequestHandler {
  return async (request, _response, next) => {
    const { accountId, workspaceId } = request.session;
    if (accountId === undefined) {
      next();
      return;
    }
    if (sessions.isOver(request)) {
      await sessions.end(request);
      next();
      return;
    }
    const [account, memberships] = await Promise.all([
      people.account(accountId),
      people.memberships(accountId),
    ]);
    const member = memberships.find(({ id }) => id === workspaceId) ?? memberships[0];
    if (account && member)
      grantAccess(request, {
        accountId,
        name: account.name,
        email: account.email,
        workspaceId: member.id,
        workspaces: memberships,
        role: member.role,
        automatic: false,
        secondFactor: account.totpSecret !== null,
        mustAddFactor: member.secondFactor && account.totpSecret === null,
      });
    next();
  };
}

/** Lets through who has signed in, may do what is asked, and asks from a page of this program. */
export function guard(people: PeopleStore): RequestHandler {
  return async (request, _response, next) => {
    const access = accessOf(request);
    if (!access)
      throw new HttpProblem(
        401,
        'Not signed in',
        'Sign in, then do it again. What you entered is kept on this device.',
      );
    if (access.mustAddFactor)
      throw new HttpProblem(
        403,
        'A second factor is asked for',
        'Your company asks for a second factor: add one to your account first.',
      );
    const least = leastRole(request.method, request.path);
    if (!mayAs(access.role, least))
      throw new HttpProblem(
        403,
        'Not allowed',
        `This asks for the role “${least}”; yours is “${access.role}”.`,
      );
    refuseWithoutToken(request);
    if (access.role === 'surveyor') await refuseOthersJobs(people, access, request.path);
    next();
  };
}

/** A job that is not given to a surveyor is none to him. */
async function refuseOthersJobs(people: PeopleStore, { accountId }: Access, path: string): Promise<void> {
  const id = /^\/jobs\/([^/]+)/.exec(path)?.[1];
  if (id === undefined) return;
  if (!(await people.assigned(validId(id, 'job'))).includes(accountId ?? '')) throw notFound('job');
}
