import { createHash } from 'node:crypto';
import type { WeatherYear } from '@levamen/core/nature';
import type { SavedWeather, WeatherHours, Who } from '@levamen/core/api';
import type { DataSource } from 'typeorm';
import { DeedLog } from '../log/deed-log.js';
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
  private readonly log: DeedLog;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.log = new DeedLog(workspaceId);
  }

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
  async keep(year: WeatherYear, who: Who): Promise<SavedWeather> {
    const payload = await packHours(year);
    const { name, source, latitudeDeg, longitudeDeg, altitudeM, zoneH } = year;
    const facts = { name, source, latitudeDeg, longitudeDeg, altitudeM, zoneH };
    const digest = createHash('sha256').update(JSON.stringify(facts)).update(payload).digest('hex');
    const key = { workspaceId: this.workspaceId, digest };
    return this.source.transaction(async (manager) => {
      const { raw } = await manager
        .createQueryBuilder()
        .insert()
        .into(WeatherEntity)
        .values({ ...key, ...facts, payload })
        .orIgnore()
        .returning('id')
        .execute();
      if ((raw as unknown[]).length > 0) await this.log.write(manager, who, 'weather kept', null, { name });
      return factsOf(await manager.findOneByOrFail(WeatherEntity, key));
    });
  }

  /** Removes a year. Jobs that name it say so, and fall back on a typical climate when somebody chooses one. */
  async remove(id: string, who: Who): Promise<boolean> {
    return this.source.transaction(async (manager) => {
      const { affected } = await manager.delete(WeatherEntity, { id, workspaceId: this.workspaceId });
      if (affected === 1) await this.log.write(manager, who, 'weather removed', null, { id });
      return affected === 1;
    });
  }

  async read(id: string): Promise<WeatherHours | null> {
    const row = await this.source.manager.findOneBy(WeatherEntity, { id, workspaceId: this.workspaceId });
    return row && { ...factsOf(row), ...(await unpackHours(row.payload)) };
  }
}
