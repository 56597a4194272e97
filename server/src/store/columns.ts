/** A moment that is now where nothing else is said. */
export const moment = { type: 'timestamptz', default: () => 'now()' } as const;

/** The workspace a row belongs to: every table has one. */
export const workspaceColumn = (foreignKeyName: string) =>
  ({
    type: 'uuid',
    name: 'workspace_id',
    foreignKey: { target: 'workspace', name: foreignKeyName },
  }) as const;

/** Whose request a row was written for: the connection says so, not the statement. null = nobody had to sign in. */
export const accountStamp = {
  type: 'uuid',
  name: 'account_id',
  nullable: true,
  // As it is read back: without its casts.
  default: () => "(NULLIF(current_setting('levamen.account', true), ''))",
} as const;
