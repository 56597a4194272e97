import { createHash } from 'node:crypto';
import type { SavedWeather, WeatherHours, WeatherYear } from '@levamen/core';
import type { DataSource } from 'typeorm';
import { packHours, unpackHours } from './pack-hours.js';
import { WeatherEntity, type WeatherRow } from './weather-entity.js';

const factsOf = ({
  id,
  name,
  source,
  latitudeDeg,
  longitudeDeg,
  altitudeM,
  zoneH,
}: WeatherRow): SavedWeather => ({
  id,
  name,
  source,
  latitudeDeg,
  longitudeDeg,
  altitudeM,
  zoneH,
});

/** Keeps years of weather that were read from files, for all jobs of a workspace. */
export class WeatherStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** Newest first. */
  async list(): Promise<SavedWeather[]> {
    const rows = await this.source.manager.find(WeatherEntity, {
      where: { workspaceId: this.workspaceId },
      order: { createdAt: 'DESC', id: 'ASC' },
      take: 200,
    });
    return rows.map(factsOf);
  }

  /** Keeps a year; the same one is kept once. */
  async keep(year: WeatherYear): Promise<SavedWeather> {
    const { manager } = this.source;
    const payload = await packHours(year);
    const { name, source, latitudeDeg, longitudeDeg, altitudeM, zoneH } = year;
    const facts = { name, source, latitudeDeg, longitudeDeg, altitudeM, zoneH };
    const digest = createHash('sha256').update(JSON.stringify(facts)).update(payload).digest('hex');
    const key = { workspaceId: this.workspaceId, digest };
    await manager
      .createQueryBuilder()
      .insert()
      .into(WeatherEntity)
      .values({ ...key, ...facts, payload })
      .orIgnore()
      .execute();
    return factsOf(await manager.findOneByOrFail(WeatherEntity, key));
  }

  async read(id: string): Promise<WeatherHours | null> {
    const row = await this.source.manager.findOneBy(WeatherEntity, { id, workspaceId: this.workspaceId });
    return row && { ...factsOf(row), ...(await unpackHours(row.payload)) };
  }
}
