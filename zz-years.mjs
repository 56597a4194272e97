import { builtInCatalogue, demoJobs, evaluatePlan, planOf, islandsOf, studyYear, outagePlan, outageFates, windowFor, horizonMin } from './scripts/core.mjs';
for (const { job } of demoJobs.slice(1,2)) {
  const plan = planOf(job);
  const ev = evaluatePlan(plan, builtInCatalogue);
  const study = { plan, islandId: ev.island?.id ?? '', parts: ev.selected.stack.parts, weather: null };
  for (let round = 0; round < 2; round++) {
    const sum = {}; const add = (k, t) => (sum[k] = (sum[k] ?? 0) + t);
    let stepped = 0;
    const t00 = performance.now();
    for (let seed = 1; seed <= 12; seed++) {
      let t = performance.now(); const lap = (k) => { const n = performance.now(); add(k, n - t); t = n; };
      const year = studyYear(study, builtInCatalogue, seed); lap('year');
      const p = outagePlan(year, 0, windowFor(8760, horizonMin)); lap('plan');
      for (const share of [1, .75, .5, .25]) { const r = outageFates(p, { hours: 8760, everyH: 3, horizonMin, chargeAt: () => share * year.hardware.usableWh }); stepped += r.steppedMin; lap('fates ' + share); }
    }
    console.log(job.name, Math.round(performance.now() - t00), 'ms', Object.fromEntries(Object.entries(sum).map(([k, v]) => [k, Math.round(v)])), 'stepped M', (stepped / 1e6).toFixed(1));
  }
}
