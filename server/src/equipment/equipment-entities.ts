import { EntitySchema } from 'typeorm';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

/** One state of a company's list: who made it, when, and what it tells. Rows are only ever added. */
export interface EquipmentRevisionRow {
  workspaceId: string;
  revision: number;
  changeId: string;
  said: string;
  sampleHidden: boolean;
  actor: string;
  device: string;
  changedAt: Date;
  accountId: string | null;
}

/** An item as it is from one revision on, until another row of it follows. Rows are only ever added. */
export interface EquipmentItemRow {
  workspaceId: string;
  itemId: string;
  revision: number;
  kind: string;
  name: string;
  line: string;
  articleNumber: string;
  massKg: number | null;
  retired: boolean;
  /** The whole item; null = it was taken out. */
  item: object | null;
}

export const EquipmentRevisionEntity = new EntitySchema<EquipmentRevisionRow>({
  name: 'equipment_revision',
  columns: {
    workspaceId: {
      ...workspaceColumn('equipment_revision_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'equipment_revision_pkey',
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'equipment_revision_pkey' },
    changeId: { type: 'uuid', name: 'change_id' },
    said: { type: 'text' },
    sampleHidden: { type: 'boolean', name: 'sample_hidden' },
    accountId: accountStamp,
    actor: { type: 'text' },
    device: { type: 'text' },
    changedAt: { ...moment, name: 'changed_at' },
  },
  uniques: [{ name: 'equipment_revision_change_key', columns: ['workspaceId', 'changeId'] }],
});

export const EquipmentItemEntity = new EntitySchema<EquipmentItemRow>({
  name: 'equipment_item',
  columns: {
    workspaceId: {
      ...workspaceColumn('equipment_item_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'equipment_item_pkey',
    },
    itemId: { type: 'text', name: 'item_id', primary: true, primaryKeyConstraintName: 'equipment_item_pkey' },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'equipment_item_pkey' },
    kind: { type: 'text' },
    name: { type: 'text' },
    line: { type: 'text' },
    articleNumber: { type: 'text', name: 'article_number' },
    massKg: { type: 'double precision', name: 'mass_kg', nullable: true },
    retired: { type: 'boolean' },
    item: { type: 'jsonb', nullable: true },
  },
  foreignKeys: [
    {
      name: 'equipment_item_revision_fkey',
      target: 'equipment_revision',
      columnNames: ['workspaceId', 'revision'],
      referencedColumnNames: ['workspaceId', 'revision'],
    },
  ],
  indices: [{ name: 'equipment_item_revision_index', columns: ['workspaceId', 'revision'] }],
});

/** What a company's work costs, and what is added to it, from one revision on; its prices stand in rows of their own. */
export interface PriceBookRow {
  workspaceId: string;
  revision: number;
  currency: string;
  book: object;
}

/** The net price of an item in a list of a supplier. */
export interface ItemPriceRow {
  workspaceId: string;
  revision: number;
  listId: string;
  /** Its place in the list. */
  position: number;
  itemId: string;
  /** Decimal text. */
  net: string;
}

export const PriceBookEntity = new EntitySchema<PriceBookRow>({
  name: 'price_book',
  columns: {
    workspaceId: {
      ...workspaceColumn('price_book_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'price_book_pkey',
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'price_book_pkey' },
    currency: { type: 'text' },
    book: { type: 'jsonb' },
  },
  foreignKeys: [
    {
      name: 'price_book_revision_fkey',
      target: 'equipment_revision',
      columnNames: ['workspaceId', 'revision'],
      referencedColumnNames: ['workspaceId', 'revision'],
    },
  ],
});

export const ItemPriceEntity = new EntitySchema<ItemPriceRow>({
  name: 'item_price',
  columns: {
    workspaceId: {
      ...workspaceColumn('item_price_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'item_price_pkey',
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'item_price_pkey' },
    listId: { type: 'text', name: 'list_id', primary: true, primaryKeyConstraintName: 'item_price_pkey' },
    position: { type: 'integer', primary: true, primaryKeyConstraintName: 'item_price_pkey' },
    itemId: { type: 'text', name: 'item_id' },
    net: { type: 'numeric', precision: 13, scale: 4 },
  },
  foreignKeys: [
    {
      name: 'item_price_book_fkey',
      target: 'price_book',
      columnNames: ['workspaceId', 'revision'],
      referencedColumnNames: ['workspaceId', 'revision'],
    },
  ],
});
