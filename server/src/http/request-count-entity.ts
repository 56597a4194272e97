import { EntitySchema } from 'typeorm';

/** Requests of one address in the minute that goes on; written by {@link RequestCounts} only. */
export const RequestCountEntity = new EntitySchema<{ key: string; requests: number; until: Date }>({
  name: 'request_count',
  columns: {
    key: { type: 'text', primary: true, primaryKeyConstraintName: 'request_count_pkey' },
    requests: { type: 'integer' },
    until: { type: 'timestamptz' },
  },
});
