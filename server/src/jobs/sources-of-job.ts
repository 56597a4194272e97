import type { WeatherHours } from '@levamen/core/api';
import { itemsFor } from '@levamen/core/design';
import type { Item } from '@levamen/core/equipment';
import type { Job } from '@levamen/core/job';
import type { PriceBook } from '@levamen/core/offer';
import type { DataSource } from 'typeorm';
import { EquipmentStore } from '../equipment/equipment-store.js';
import { WeatherStore } from '../weather/weather-store.js';

/** What a job is worked out with that is kept beside it. */
export interface SourcesOfJob {
  /** What its designs may be made of. */
  readonly items: readonly Item[];
  /** null = nothing has a price. */
  readonly book: PriceBook | null;
  /** The year of weather it names. */
  readonly weather: WeatherHours | null;
}

/** Finds what jobs of a workspace are worked out with; what several of them rest on is read once. */
export class JobSources {
  private readonly lists = new Map<number, ReturnType<EquipmentStore['read']>>();
  private readonly years = new Map<string, Promise<WeatherHours | null>>();
  private readonly equipment: EquipmentStore;
  private readonly weather: WeatherStore;

  constructor(
    source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.equipment = new EquipmentStore(source, workspaceId);
    this.weather = new WeatherStore(source, workspaceId);
  }

  async of({ equipmentList, outage }: Pick<Job, 'equipmentList' | 'outage'>): Promise<SourcesOfJob> {
    const own = equipmentList.workspaceId === this.workspaceId && equipmentList.revision > 0;
    const list = own
      ? await once(this.lists, equipmentList.revision, (revision) => this.equipment.read(revision))
      : null;
    return {
      items: itemsFor(equipmentList, list ?? { items: [], sampleHidden: false }),
      book: list?.book ?? null,
      weather:
        outage.weatherId === null
          ? null
          : await once(this.years, outage.weatherId, (id) => this.weather.read(id)),
    };
  }
}

function once<Key, Value>(known: Map<Key, Value>, key: Key, read: (key: Key) => Value): Value {
  const found = known.get(key) ?? read(key);
  known.set(key, found);
  return found;
}
