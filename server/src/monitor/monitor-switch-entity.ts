import { EntitySchema } from 'typeorm';
import { moment } from '../store/columns.js';

/** A switch of a simulated house that somebody has turned on; written by `keptSwitches` only. */
export const MonitorSwitchEntity = new EntitySchema<{
  seed: number;
  channel: string;
  onS: string;
  at: Date;
}>({
  name: 'monitor_switch',
  columns: {
    seed: { type: 'integer', primary: true, primaryKeyConstraintName: 'monitor_switch_pkey' },
    channel: { type: 'text', primary: true, primaryKeyConstraintName: 'monitor_switch_pkey' },
    onS: { type: 'bigint', name: 'on_s' },
    at: moment,
  },
});
