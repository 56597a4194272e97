import { isRecord, mapRecords, type Saved } from './saved.js';

/** What data sheets say of a unit on its wall, beyond what version 14 knew. */
const newItemFields = {
  clearAboveMm: null,
  clearBelowMm: null,
  clearBesideMm: null,
  clearFrontMm: null,
  betweenUnitsMm: null,
  ingress: '',
  noiseDb: null,
  heaterW: null,
};

/** Version 15 has the lot of the house with its walls, where the equipment of each design is put, and items that say what room they need. */
export const toPlacement = (saved: Saved): Saved => ({
  ...saved,
  version: 15,
  lot: {
    walls: [],
    corners: [],
    marks: [],
    floodM: null,
    snowM: null,
    saltAir: null,
    seismic: null,
    altitudeM: null,
  },
  equipmentList: isRecord(saved['equipmentList'])
    ? {
        ...saved['equipmentList'],
        kept: mapRecords(saved['equipmentList']['kept'], (item) => ({ ...newItemFields, ...item })),
      }
    : saved['equipmentList'],
  designs: mapRecords(saved['designs'], (design) => ({
    ...design,
    placement: { placed: [], works: [], absorptance: null },
  })),
});
