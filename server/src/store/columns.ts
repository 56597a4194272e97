/** A moment that is now where nothing else is said. */
export const moment = { type: 'timestamptz', default: () => 'now()' } as const;

/** The workspace a row belongs to: every table has one. */
export const workspaceColumn = (foreignKeyName: string) =>
  ({
    type: 'uuid',
    name: 'workspace_id',
    foreignKey: { target: 'workspace', name: foreignKeyName },
  }) as const;
