import { isRecord, type Saved } from './saved.js';

/** Version 20 knows where the devices of a system are asked, and which staged outages were recorded. */
export function toStagedOutages(saved: Saved): Saved {
  const { commissioning } = saved;
  return {
    ...saved,
    version: 20,
    ...(isRecord(commissioning) ? { commissioning: { ...commissioning, system: null, outages: [] } } : {}),
  };
}
