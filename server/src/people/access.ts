import type { Role } from '@levamen/core/api';
import type { Request } from 'express';

/** Who asks, for which workspace, and as what. */
export interface Access {
  /** null where the program signs in by itself. */
  readonly accountId: string | null;
  readonly name: string;
  readonly email: string;
  /** The one he works for. */
  readonly workspaceId: string;
  /** Every one he is a member of. */
  readonly workspaces: readonly { readonly id: string; readonly name: string; readonly role: Role }[];
  readonly role: Role;
  readonly automatic: boolean;
  readonly secondFactor: boolean;
  /** The company asks for a second factor, and there is none yet. */
  readonly mustAddFactor: boolean;
}

const known = new WeakMap<Request, Access>();

/** Keeps for a request who asks. */
export const grantAccess = (request: Request, access: Access): unknown => known.set(request, access);

/** Who asks; null where nobody has signed in. */
export const accessOf = (request: Request): Access | null => known.get(request) ?? null;
