import { inject, Injectable } from '@angular/core';
import { studiedPart } from '@levamen/core/design';
import type { OutageStudy } from '@levamen/core/study/details';
import { DeviceDatabase } from './device-database';
import { digestOf } from './digest-of';

/** Answers kept at most; the oldest go. */
const mostKept = 40;
/** Changes when what the studies compute changes: answers of before are forgotten then. */
const edition = 2;

/** Keeps answers to long studies, so that a reload, a visit elsewhere or an undo does not ask them again. */
@Injectable({ providedIn: 'root' })
export class AnswerStore {
  private readonly database = inject(DeviceDatabase);

  /** The answer to a question about exactly this study; null where it was never asked, or storage is off. */
  async find(kind: string, study: OutageStudy): Promise<unknown> {
    try {
      const [database, key] = await Promise.all([this.database.open(), keyOf(kind, study)]);
      return (await database.get('answers', key))?.value ?? null;
    } catch {
      return null;
    }
  }

  async keep(kind: string, study: OutageStudy, value: unknown): Promise<void> {
    try {
      const [database, key] = await Promise.all([this.database.open(), keyOf(kind, study)]);
      await database.put('answers', { key, value, savedAt: Date.now() });
      const all = await database.getAll('answers');
      const old = all.toSorted((a, b) => b.savedAt - a.savedAt).slice(mostKept);
      await Promise.all(old.map((one) => database.delete('answers', one.key)));
    } catch {
      // Then it is asked again after a reload.
    }
  }
}

/** A digest of everything an answer rests on. Costs are kept with the plan and change nothing that is played. */
async function keyOf(kind: string, { plan, islandId, parts, weather }: OutageStudy): Promise<string> {
  const basis = {
    kind,
    edition,
    plan: { ...studiedPart(plan), sources: { ...plan.sources, costs: [] } },
    islandId,
    parts,
    weather: weather && [weather.name, weather.source, weather.latitudeDeg],
  };
  return digestOf(new TextEncoder().encode(JSON.stringify(basis)));
}
