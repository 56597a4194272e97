import { isRecord, type Saved } from './saved.js';

/** Version 12 says which company's list of equipment it is designed with, and holds several designs, one of them chosen. */
export function toCompanyEquipment(saved: Saved): Saved {
  const { designs } = saved;
  const first: unknown = Array.isArray(designs) ? designs[0] : undefined;
  return {
    ...saved,
    version: 12,
    equipmentList: { workspaceId: null, revision: 0, kept: [] },
    chosenDesignId: isRecord(first) ? first['id'] : 'design',
  };
}
