// Everything the program says about the made jobs and the golden ones, as plain JSON: to be compared with what another version says.
//   node scripts/figures/figures-of.mjs CORE_DIST OUT_FOLDER [FROM TO]
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { madeJob } from './made-jobs.mjs';

const [dist, out, from = '1', to = '200'] = process.argv.slice(2);
mkdirSync(out, { recursive: true });

/** All that core exports: one face, or one a floor. */
async function core() {
  const one = join(dist, 'index.js');
  const faces = existsSync(one)
    ? [one]
    : readdirSync(dist)
        .flatMap((floor) => [join(dist, floor, 'index.js'), join(dist, floor, 'details.js')])
        .filter(existsSync);
  const loaded = await Promise.all(faces.map((face) => import(pathToFileURL(resolve(face)).href)));
  return Object.assign({}, ...loaded);
}
const m = await core();

/** Values as they can be written: getters read, maps and typed arrays as lists, what is heavy and repeated left out. */
const skipped = new Set(['context', 'job', 'plan', 'island', 'islands', 'settings', 'year', 'legsAssumed']);
function plain(value, depth = 0) {
  if (typeof value === 'number') return Number.isFinite(value) ? value : String(value);
  if (value === null || typeof value !== 'object') return typeof value === 'function' ? undefined : value;
  if (depth > 9) return '…';
  // Series by the minute: their sum, and a sum that tells where in them something lies.
  if (ArrayBuffer.isView(value) && value.length > 100)
    return [
      value.length,
      plain(value.reduce((a, b) => a + b, 0)),
      plain(value.reduce((a, b, i) => a + b * i, 0)),
    ];
  if (ArrayBuffer.isView(value)) return [...value].map((one) => plain(one));
  if (value instanceof Map) return [...value].map(([key, one]) => [plain(key), plain(one, depth + 1)]);
  if (value instanceof Set) return [...value].map((one) => plain(one, depth + 1));
  if (Array.isArray(value)) return value.map((one) => plain(one, depth + 1));
  return Object.fromEntries(
    Object.keys(value)
      .filter((key) => !skipped.has(key))
      .map((key) => [key, plain(value[key], depth + 1)]),
  );
}

const keysOf = (judged) =>
  judged.map(({ stack, lacks }) => [
    stack.parts.map((p) => `${p.quantity} ${p.unit?.id ?? p.unitId}`),
    lacks.length,
  ]);

function sayOf(document) {
  const read = m.readJob(document);
  if (!read.ok) return { refused: read.problems };
  // A job brought into line, as reading an older version does; or the house and the one design over it.
  const plan = m.planOf ? m.planOf(read.job) : m.settleJob(read.job);
  const evaluate = m.evaluatePlan ?? m.evaluateJob;
  const first = evaluate(plan, m.builtInCatalogue);
  const said = { panels: plain(m.panelFindings(plan)), sensors: plain(m.sensorPlan(plan)), islands: [] };
  for (const [place, island] of first.islands.entries()) {
    const evaluation = place === 0 ? first : evaluate(plan, m.builtInCatalogue, island.id);
    const { selected } = evaluation;
    const parts = selected?.stack.parts.map(({ unit, unitId, quantity }) => ({
      unitId: unit?.id ?? unitId,
      quantity,
    }));
    const study = selected && { job: plan, plan, islandId: island.id, parts, weather: null };
    const year = study && m.studyYear(study, m.builtInCatalogue);
    const outlook = study && place === 0 ? m.runtimeOutlook(study, m.builtInCatalogue) : null;
    said.islands.push({
      name: island.name,
      services: island.services.map(({ id }) => id),
      chosenProblem: evaluation.chosenProblem,
      selectedBy: evaluation.selectedBy,
      stack: selected && keysOf([selected]),
      margins: plain(evaluation.margins),
      demands: plain(evaluation.demandViews),
      requirement: plain(evaluation.requirement),
      hourly: plain(evaluation.hourlyByTierWh),
      meeting: keysOf(evaluation.meeting),
      nearly: keysOf(evaluation.nearly),
      loads: plain(evaluation.loads),
      findings: plain((m.planFindings ?? m.jobFindings)(evaluation)),
      requirements: [...(m.planRequirements ?? m.jobRequirements)(plan, evaluation).values()].map((list) =>
        plain(list),
      ),
      suggestion: parts && plain(m.suggestBackup(plan, m.builtInCatalogue, island.id, parts, () => false)),
      outlook: plain(outlook),
      outage: year && plain(m.playOutage(year, 20_000 + 700 * place, 900)),
      helpful:
        place === 0 &&
        parts &&
        m.helpfulChanges(plan, parts, m.builtInCatalogue).map(({ id, title }) => [id, title]),
      mends: selected && plain(m.waysToMend(plan, m.builtInCatalogue, island, selected)),
    });
  }
  return said;
}

for (let number = Number(from); number <= Number(to); number += 1)
  writeFileSync(join(out, `made-${number}.json`), JSON.stringify(sayOf(madeJob(number))));
const golden = new URL('../../core/src/job/testing/golden/', import.meta.url);
if (from === '1')
  for (const name of readdirSync(golden))
    writeFileSync(
      join(out, name),
      JSON.stringify(sayOf(JSON.parse(readFileSync(new URL(name, golden), 'utf8')))),
    );
