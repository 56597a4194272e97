import { sampleLineOnly } from '../equipment/equipment-list.schema.js';
import { emptyDailyUse } from '../daily/daily-use.schema.js';
import { emptyFinance } from '../daily/finance.schema.js';
import { emptyEquipment } from '../equipment/equipment.schema.js';
import { emptySources } from '../sources/sources.schema.js';
import { emptyBackup } from '../backup/backup.schema.js';
import type { SupplySystem } from '../../electric/index.js';
import { usualCode } from '../../rules/index.js';
import {
  emptyCommissioning,
  emptyCourse,
  emptyLogbook,
  emptyLot,
  emptySurvey,
  emptyUsage,
  noParties,
} from '../../house/index.js';
import { emptyPlacement } from '../placement/placement.schema.js';
import { emptyScenario } from '../sources/scenario.schema.js';
import { emptyWiring } from '../wiring/wiring.schema.js';
import type { Plan } from './plan.js';

/** A house about which nothing is known but its supply, with nothing designed over it. */
export function emptyPlan(system: SupplySystem = 'split-120-240'): Plan {
  const american = system === 'split-120-240' || system === 'two-legs-120-208';
  return {
    site: {
      place: '',
      latitudeDeg: null,
      longitudeDeg: null,
      timeZone: null,
      units: american ? 'imperial' : 'metric',
      floorAreaM2: null,
    },
    parties: noParties(),
    brief: {
      goals: { outage: 'decides', ownSolar: 'none', peakPrice: 'none' },
      requiredRuntimeH: null,
      designSeason: null,
      sizeForYear: null,
      outageDepth: null,
      dailyDepth: null,
      batteryTemperatureC: null,
      transferGapToleranceMs: null,
      handsOn: null,
      powerBasis: null,
      outageWeather: null,
      surplusSolarWhPerDay: null,
      plannedAdditions: [],
      noGenerator: false,
      mostCost: null,
      notes: '',
    },
    supply: { system, frequencyHz: american ? 60 : 50, serviceRatingA: null },
    survey: emptySurvey(),
    lot: emptyLot(),
    usage: emptyUsage(),
    loads: [],
    photos: [],
    outage: emptyScenario(),
    tariffs: [],
    finance: emptyFinance(),
    existingUnits: [],
    equipmentList: sampleLineOnly(),
    code: usualCode(),
    course: emptyCourse(),
    commissioning: emptyCommissioning(),
    logbook: emptyLogbook(),
    openPoints: [],
    backup: emptyBackup(),
    sources: emptySources(),
    equipment: emptyEquipment(),
    dailyUse: emptyDailyUse(),
    wiring: emptyWiring(),
    placement: emptyPlacement(),
  };
}
