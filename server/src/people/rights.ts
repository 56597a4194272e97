import { type Role, roles } from '@levamen/core/api';

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

interface Right {
  /** null = any that changes something. */
  readonly methods: readonly Method[] | null;
  readonly path: RegExp;
  readonly least: Role;
}

/** What is asked of whom, by address under /api; the first that fits decides. */
const rights: readonly Right[] = [
  { methods: ['GET'], path: /^\/(log|backups)$/, least: 'owner' },
  { methods: ['DELETE'], path: /^\/jobs\/[^/]+\/purge$/, least: 'owner' },
  { methods: ['GET'], path: /^\/people$/, least: 'designer' },
  { methods: ['GET'], path: /^\/people\/./, least: 'owner' },
  { methods: null, path: /^\/people(\/|$)/, least: 'owner' },
  { methods: ['PUT'], path: /^\/device-networks$/, least: 'owner' },
  // Whoever commissions asks the devices, and records them.
  { methods: null, path: /^\/jobs\/[^/]+\/system(\/|$)/, least: 'surveyor' },
  // Everybody trains, and keeps how it went.
  { methods: ['POST'], path: /^\/training-runs$/, least: 'viewer' },
  { methods: ['GET'], path: /^\/storage$/, least: 'designer' },
  // Houses are asked by whoever may see all of them.
  { methods: ['GET'], path: /^\/houses(\/|$)/, least: 'designer' },
  // They compute something of what was sent, and keep nothing.
  { methods: ['POST'], path: /^\/(tables|drawings|papers)(\/|$)/, least: 'viewer' },
  { methods: ['POST'], path: /^\/jobs\/[^/]+\/panels(\/|$)/, least: 'viewer' },
  // Papers show what things cost; what was issued goes by the owner only.
  { methods: ['DELETE'], path: /^\/jobs\/[^/]+\/papers\/[^/]+$/, least: 'owner' },
  { methods: ['GET'], path: /^\/jobs\/[^/]+\/papers(\/|$)/, least: 'viewer' },
  // What a survey brings home.
  { methods: ['PUT'], path: /^\/jobs\/[^/]+$/, least: 'surveyor' },
  { methods: null, path: /^\/jobs\/[^/]+\/(photos|readings)(\/|$)/, least: 'surveyor' },
  { methods: ['GET'], path: /./, least: 'viewer' },
  { methods: null, path: /./, least: 'designer' },
];

/** The least role an address asks for. */
export function leastRole(method: string, path: string): Role {
  const asked = method === 'HEAD' ? 'GET' : method;
  const right = rights.find(
    ({ methods, path: pattern }) =>
      pattern.test(path) && (methods === null ? asked !== 'GET' : methods.includes(asked as Method)),
  );
  return right?.least ?? 'owner';
}

/** May somebody of a role do what asks for another? */
export const mayAs = (role: Role, least: Role): boolean => roles.indexOf(role) >= roles.indexOf(least);
