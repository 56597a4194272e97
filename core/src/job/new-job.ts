import { emptyBackup } from '../backup/backup.schema.js';
import type { SupplySystem } from '../supply/supply.schema.js';
import { emptySurvey } from '../panel/panel.schema.js';
import { emptyUsage } from '../usage/usage.schema.js';
import { emptyScenario } from '../outage/scenario.schema.js';
import { jobFormat, jobVersion, type Job } from './job.schema.js';

/** A job about which nothing is known but its name and its supply. */
export function newJob(name: string, system: SupplySystem = 'split-120-240'): Job {
  const american = system === 'split-120-240' || system === 'two-legs-120-208';
  return {
    format: jobFormat,
    version: jobVersion,
    name,
    site: {
      place: '',
      latitudeDeg: null,
      longitudeDeg: null,
      timeZone: null,
      units: american ? 'imperial' : 'metric',
      floorAreaM2: null,
    },
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
      notes: '',
    },
    supply: { system, frequencyHz: american ? 60 : 50, serviceRatingA: null },
    survey: emptySurvey(),
    usage: emptyUsage(),
    loads: [],
    backup: emptyBackup(),
    design: { chosen: null, others: [] },
    outage: emptyScenario(),
  };
}
