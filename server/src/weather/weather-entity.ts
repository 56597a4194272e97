import { EntitySchema } from 'typeorm';

export interface WeatherRow {
  id: string;
  workspaceId: string;
  name: string;
  source: string;
  latitudeDeg: number;
  longitudeDeg: number;
  altitudeM: number;
  zoneH: number;
  /** Digest of the hours: the same file is kept once. */
  digest: string;
  /** Packed by packHours. */
  payload: Buffer;
  createdAt: Date;
}

const real = { type: 'double precision' } as const;

export const WeatherEntity = new EntitySchema<WeatherRow>({
  name: 'weather_year',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'weather_year_pkey' },
    workspaceId: {
      type: 'uuid',
      name: 'workspace_id',
      foreignKey: { target: 'workspace', name: 'weather_year_workspace_fkey' },
    },
    name: { type: 'text' },
    source: { type: 'text' },
    latitudeDeg: { ...real, name: 'latitude_deg' },
    longitudeDeg: { ...real, name: 'longitude_deg' },
    altitudeM: { ...real, name: 'altitude_m' },
    zoneH: { ...real, name: 'zone_h' },
    digest: { type: 'text' },
    payload: { type: 'bytea' },
    createdAt: { type: 'timestamptz', name: 'created_at', default: () => 'now()' },
  },
  uniques: [{ name: 'weather_year_digest_key', columns: ['workspaceId', 'digest'] }],
});
