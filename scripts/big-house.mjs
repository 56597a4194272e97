import {
  emptyPlan,
  keepOnly,
  loadFromLibrary,
  loadLibrary,
  newCircuit,
  newPanel,
  newService,
  settlePlan,
} from './core.mjs';

/** As large as a job may be: 500 loads on 24 panels of 50 circuits, a third of them backed up. */
export function bigHouse() {
  const blank = emptyPlan();
  const { system } = blank.supply;
  const panels = Array.from({ length: 24 }, (_, p) => ({
    ...newPanel(
      `p${p}`,
      `Panel ${p + 1}`,
      system,
      p === 0 ? { kind: 'service', serviceId: 'service' } : { kind: 'circuit', circuitId: `p0c${p}` },
    ),
    spaces: 84,
    circuits: Array.from({ length: 50 }, (_, c) => newCircuit(`p${p}c${c}`, [c + 1], `Circuit ${c + 1}`)),
  }));
  const loads = [];
  for (let i = 0; i < 500; i += 1) {
    const load = loadFromLibrary(loadLibrary[i % loadLibrary.length], `load-${i}`, system, loads);
    loads.push({ ...load, circuitId: `p${i % 24}c${24 + (Math.floor(i / 24) % 26)}` });
  }
  const survey = { services: [newService('service', 'Service')], panels, monitorCircuitId: null };
  return settlePlan(
    keepOnly(
      { ...blank, survey, loads },
      loads.filter((_, i) => i % 3 === 0).map(({ id }) => id),
    ),
  );
}
