import { isDeepStrictEqual } from 'node:util';
import type { EquipmentChange, EquipmentList, EquipmentRevision, ItemHistory, Who } from '@levamen/core/api';
import type { Job } from '@levamen/core/job';
import { type Item, sampleLine } from '@levamen/core/equipment';
import { completeItem, itemDoubts, listProblems } from '@levamen/core/equipment/details';
import { LRUCache } from 'lru-cache';
import type { DataSource, EntityManager } from 'typeorm';
import { asKept, readBook, writeBook } from './price-store.js';
import { HttpProblem } from '../http/problem.js';
import { EquipmentItemEntity, type EquipmentItemRow, EquipmentRevisionEntity } from './equipment-entities.js';

/** Rows of one statement: a statement has at most 65,535 parameters. */
const rowsAtOnce = 1000;
/** Of lists that were asked for last. */
const keptBytes = 24_000_000;

/** The equipment of a company: items with all their revisions. */
export class EquipmentStore {
  /** Lists as they are sent, by revision, without which is the latest: a revision never changes. */
  private readonly texts = new LRUCache<number, string>({
    maxSize: keptBytes,
    sizeCalculation: (text) => text.length,
  });

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** The list as it was at a revision; null where there is no such revision. */
  async read(revision?: number): Promise<EquipmentList | null> {
    const asked = await this.asked(revision);
    return asked && this.at(this.source.manager, asked.revision, asked.latest);
  }

  /** The same as the text of an answer: every job that is opened asks for it. */
  async text(revision?: number): Promise<string | null> {
    const asked = await this.asked(revision);
    if (!asked) return null;
    let text = this.texts.get(asked.revision);
    if (text === undefined) {
      const { latest: _, ...list } = await this.at(this.source.manager, asked.revision, asked.latest);
      text = JSON.stringify(list).slice(0, -1);
      this.texts.set(asked.revision, text);
    }
    return `${text},"latest":${asked.latest}}`;
  }

  /** A new job, designed with the newest list where it names none. */
  async begunWith(job: Job): Promise<Job> {
    const { equipmentList } = job;
    if (equipmentList.workspaceId !== null) return job;
    const revision = await this.latest(this.source.manager);
    if (revision === 0) return job;
    return { ...job, equipmentList: { ...equipmentList, workspaceId: this.workspaceId, revision } };
  }

  /** Which revision is asked for, the latest where none is named; null where there is no such revision. */
  private async asked(revision: number | undefined): Promise<{ revision: number; latest: number } | null> {
    const latest = await this.latest(this.source.manager);
    const wanted = revision ?? latest;
    return wanted > latest ? null : { revision: wanted, latest };
  }

  private async at(manager: EntityManager, revision: number, latest: number): Promise<EquipmentList> {
    const rows = await manager.query<{ item: Item }[]>(
      `SELECT item FROM (
         SELECT DISTINCT ON (item_id) item_id, item FROM equipment_item
         WHERE workspace_id = $1 AND revision <= $2 ORDER BY item_id, revision DESC
       ) AS last WHERE item IS NOT NULL ORDER BY item_id`,
      [this.workspaceId, revision],
    );
    const of = await manager.findOneBy(EquipmentRevisionEntity, { workspaceId: this.workspaceId, revision });
    return {
      workspaceId: this.workspaceId,
      revision,
      latest,
      sampleHidden: of?.sampleHidden ?? false,
      items: rows.map(({ item }) => completeItem(item)),
      book: await readBook(manager, this.workspaceId, revision),
    };
  }

  /** 0 = nothing was entered yet. */
  private async latest(manager: EntityManager): Promise<number> {
    const [row] = await manager.query<{ latest: number }[]>(
      'SELECT coalesce(max(revision), 0) AS latest FROM equipment_revision WHERE workspace_id = $1',
      [this.workspaceId],
    );
    return row!.latest;
  }

  /**
   * Takes a change and gives the list after it. Items that somebody else changed since the base are not overwritten: 409 names
   * them. What cannot be is refused with 422, and nothing is taken.
   */
  async change(change: EquipmentChange, who: Who): Promise<EquipmentList> {
    return this.source.transaction(async (manager) => {
      // Changes of one list wait for each other.
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 13))', [this.workspaceId]);
      const latest = await this.latest(manager);
      const { changeId, put, remove } = change;
      if (await manager.existsBy(EquipmentRevisionEntity, { workspaceId: this.workspaceId, changeId }))
        return this.at(manager, latest, latest);
      if (change.baseRevision > latest)
        throw new HttpProblem(
          400,
          'Bad request',
          `There is no revision ${change.baseRevision} of the equipment.`,
        );
      const before = await this.at(manager, latest, latest);
      await this.refuseStale(manager, change, before);
      const known = new Map(before.items.map((item) => [item.id, item]));
      const touched = new Set([...put.map(({ id }) => id), ...remove]);
      const after = [...before.items.filter(({ id }) => !touched.has(id)), ...put];
      refuseWrong(put, after);
      const changed = put.filter((item) => !isDeepStrictEqual(known.get(item.id), item));
      const removed = remove.filter((id) => known.has(id));
      const sampleHidden = change.sampleHidden ?? before.sampleHidden;
      const book = change.book && asKept(change.book);
      const isPriced = book !== undefined && !isDeepStrictEqual(book, before.book);
      if (changed.length + removed.length === 0 && sampleHidden === before.sampleHidden && !isPriced)
        return before;
      const key = { workspaceId: this.workspaceId, revision: latest + 1 };
      await manager.insert(EquipmentRevisionEntity, {
        ...key,
        changeId,
        said: change.said,
        sampleHidden,
        ...who,
      });
      const rows: EquipmentItemRow[] = [
        ...changed.map((item) => ({
          ...key,
          itemId: item.id,
          kind: item.kind,
          name: item.name,
          line: item.line,
          articleNumber: item.articleNumber,
          massKg: item.massKg,
          retired: item.retired,
          item,
        })),
        ...before.items
          .filter(({ id }) => removed.includes(id))
          .map(({ id, kind, name, line, articleNumber, massKg }) => ({
            ...key,
            itemId: id,
            kind,
            name,
            line,
            articleNumber,
            massKg,
            retired: true,
            item: null,
          })),
      ];
      for (let from = 0; from < rows.length; from += rowsAtOnce)
        await manager.insert(EquipmentItemEntity, rows.slice(from, from + rowsAtOnce));
      if (isPriced) await writeBook(manager, key, book);
      return this.at(manager, key.revision, key.revision);
    });
  }

  private async refuseStale(
    manager: EntityManager,
    { baseRevision, put, remove }: EquipmentChange,
    { revision, items }: EquipmentList,
  ): Promise<void> {
    if (baseRevision === revision) return;
    const since = await manager.query<{ item_id: string }[]>(
      'SELECT DISTINCT item_id FROM equipment_item WHERE workspace_id = $1 AND revision > $2',
      [this.workspaceId, baseRevision],
    );
    const changedSince = new Set(since.map(({ item_id }) => item_id));
    const both = [...put.map(({ id }) => id), ...remove].filter((id) => changedSince.has(id));
    if (both.length === 0) return;
    const names = both.map((id) => items.find((item) => item.id === id)?.name ?? id);
    throw new HttpProblem(
      409,
      'Changed meanwhile',
      `Somebody else has changed ${names.slice(0, 5).join(', ')}. Look at the newer values, then save again.`,
      both.map((id) => ({ path: id, message: 'Changed meanwhile' })),
    );
  }

  /** Newest first. */
  async revisions(): Promise<EquipmentRevision[]> {
    const rows = await this.source.query<
      { revision: number; said: string; actor: string; device: string; changed_at: Date; items: number }[]
    >(
      `SELECT r.revision, r.said, r.actor, r.device, r.changed_at,
         (SELECT count(*)::int FROM equipment_item i WHERE i.workspace_id = r.workspace_id AND i.revision = r.revision) AS items
       FROM equipment_revision r WHERE r.workspace_id = $1 ORDER BY r.revision DESC LIMIT 500`,
      [this.workspaceId],
    );
    return rows.map(({ revision, said, actor, device, changed_at, items }) => ({
      revision,
      said,
      actor,
      device,
      changedAt: changed_at.toISOString(),
      itemCount: items,
    }));
  }

  /** What one item was, newest first. */
  async history(itemId: string): Promise<ItemHistory> {
    const rows = await this.source.query<
      { revision: number; actor: string; changed_at: Date; item: Item | null }[]
    >(
      `SELECT i.revision, r.actor, r.changed_at, i.item FROM equipment_item i
       JOIN equipment_revision r USING (workspace_id, revision)
       WHERE i.workspace_id = $1 AND i.item_id = $2 ORDER BY i.revision DESC LIMIT 200`,
      [this.workspaceId, itemId],
    );
    return rows.map(({ changed_at, item, ...row }) => ({
      ...row,
      item: item && completeItem(item),
      changedAt: changed_at.toISOString(),
    }));
  }
}

/** What cannot be about the items that are entered, by themselves and beside the others. */
function refuseWrong(put: readonly Item[], after: readonly Item[]): void {
  const problems = put.flatMap((item) =>
    itemDoubts(item)
      .filter(({ refuses }) => refuses)
      .map(({ path, message }) => ({ path: `${item.id}.${path}`, message: `${item.name}: ${message}` })),
  );
  const between = listProblems([...sampleLine, ...after]).map(({ itemId, path, message }) => ({
    path: `${itemId}.${path}`,
    message,
  }));
  const all = [...problems, ...between];
  if (all.length > 0)
    throw new HttpProblem(422, 'This equipment cannot be', all[0]!.message, all.slice(0, 200));
}
