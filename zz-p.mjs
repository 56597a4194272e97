import { builtInCatalogue, demoJobs, evaluatePlan, planOf, studyYear, outagePlan, windowFor, horizonMin } from './scripts/core.mjs';
const { job } = demoJobs[1]; const plan = planOf(job);
const ev = evaluatePlan(plan, builtInCatalogue);
const study = { plan, islandId: ev.island?.id ?? '', parts: ev.selected.stack.parts, weather: null };
const year = studyYear(study, builtInCatalogue, 1);
console.log(year.house.loads.length, year.house.thresholds, year.hardware.axes.map(a => JSON.stringify(a)), !!year.hardware.axesBeside);
const p = outagePlan(year, 0, windowFor(8760, horizonMin));
console.log(p.overloads.map(o => o.reduce((s, m) => s + (m > 0), 0)), p.trace.managed.length, p.trace.minutes, p.trace.peakVA[0].map((a,i) => a.reduce((s, v) => s + (v > (year.hardware.axes[i]?.levels[0].aboveVA ?? 1e9)), 0)));
