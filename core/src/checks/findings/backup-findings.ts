import { type Finding, nameList, quantityText } from '../../base/index.js';
import { noticeableDipShare, voltageDipShare } from '../../electric/index.js';
import { keptLoads, laneOfCircuits } from '../../design/index.js';
import { circuitsById, circuitText, loadsByCircuit } from '../../house/index.js';
import type { DemandContext, JudgedStack } from '../../study/index.js';
import { gapEffects, isLeg, pickupReport, shedTiming, unitOfPart } from '../../study/details.js';

/** What lanes, shedding, transfer gap and restarts give reason to say. */
export function backupFindings(context: DemandContext, judged: JudgedStack | null): Finding[] {
  const { plan, settings, members, backupSet } = context;
  const found: Finding[] = [];
  const report = (finding: Omit<Finding, 'figures'>): void => {
    found.push({ ...finding, figures: [] });
  };
  const circuits = circuitsById(plan.survey);
  const kept = keptLoads(plan);
  const laneOf = laneOfCircuits(plan);
  for (const [circuitId, loads] of loadsByCircuit(plan.loads)) {
    const placed = circuitId === null ? undefined : circuits.get(circuitId);
    const unwanted = loads.filter(({ id, tier }) => tier === 'never' && kept.has(id));
    const wanted = loads.filter(({ tier }) => tier === 'must' || tier === 'should');
    if (placed && laneOf(placed.circuit.id).lane === 'on' && unwanted.length > 0 && wanted.length > 0) {
      report({
        key: `mixed.${circuitId}`,
        severity: 'consider',
        title: 'A circuit feeds loads of different tiers',
        because: `${circuitText(placed)}: ${nameList(wanted.map(({ name }) => name))} should stay on, ${nameList(unwanted.map(({ name }) => name))} should not.`,
        cure: 'Put them on different circuits, or agree that they are switched off by hand.',
      });
    }
  }
  const byHand = members.filter(({ load, lane }) => lane === 'hand' && kept.has(load.id));
  if (byHand.length > 0 && !settings.handsOn.value) {
    report({
      key: 'by-hand',
      severity: 'must-fix',
      title: 'Shedding by hand counts on somebody being home',
      because: `${nameList(byHand.map(({ load }) => load.name))}: the household is not expected to walk to the panel, so they are counted in full.`,
      cure: 'Shed them by a device, leave them dark, or say in the brief that the household is hands-on.',
    });
  }
  const monitor = circuits.get(plan.survey.monitorCircuitId ?? '');
  if (monitor && laneOf(monitor.circuit.id).lane === 'dark' && backupSet.length > 0) {
    report({
      key: 'monitor-dark',
      severity: 'consider',
      title: 'The circuit monitor is dark in an outage',
      because: `It is fed from ${circuitText(monitor)}; it records nothing when that goes dark.`,
      cure: 'Feed it from a circuit that stays on.',
    });
  }
  if (!judged) return found;
  const { stack } = judged;
  const { transferGapMs } = stack;
  const noticing = transferGapMs === null ? [] : gapEffects(context.powerSet, transferGapMs);
  if (transferGapMs !== null && noticing.length > 0) {
    report({
      key: 'gap-effects',
      severity: 'consider',
      title: 'Loads that notice the transfer gap',
      because: `${quantityText(transferGapMs, 'ms')} of full dropout: ${nameList(noticing.map(({ name, what }) => `${name} (${what})`))}.`,
      cure: 'Choose equipment with a shorter gap, or give them a small battery of their own.',
    });
  }
  if (members.some(({ shed }) => shed?.when === 'power')) {
    const { part, run, demandVA, heldS } = shedTiming(context, stack);
    if (run.tripped) {
      report({
        key: 'shed-late',
        severity: 'must-fix',
        title: 'Automatic shedding comes too late',
        because: `With everything on, ${quantityText(demandVA, unitOfPart(part))} is asked; the ${part === 'battery' ? 'battery' : 'inverter'} holds that ${quantityText(heldS, 's')} and trips before the circuits are open.`,
        cure: 'Take a device that answers faster, shed those circuits for the whole outage, or add an inverter.',
      });
    }
  }
  const pickup = pickupReport(context, stack);
  if (pickup.run.tripped && pickup.restarts.length > 1) {
    report({
      key: 'cold-pickup',
      severity: 'consider',
      title: 'Motors that restart together would trip the inverter',
      because: `After the transfer gap ${pickup.restarts.length} motors may start at once${isLeg(pickup.part) ? ` on ${pickup.part}` : ''}: ${quantityText(pickup.peakVA, unitOfPart(pickup.part))} against at most ${quantityText(pickup.limitVA, unitOfPart(pickup.part))}${pickup.part === 'battery' ? ' that the batteries feed' : ''}.`,
      cure: pickup.staggeredRun.tripped
        ? 'Even one after the other they are too much: fit a soft starter to the largest, or add an inverter.'
        : `One after the other they hold: give them delays in this order: ${nameList([...new Set(pickup.staggered.map(({ name }) => name))])}.`,
    });
  }
  const worst = context.power.starts.reduce<(typeof context.power.starts)[number] | null>(
    (a, b) => (a && a.totalVA >= b.totalVA ? a : b),
    null,
  );
  const dip = worst ? voltageDipShare(stack.voltageDroop, worst.totalVA, stack.continuousVA) : null;
  if (worst && dip !== null && dip > noticeableDipShare) {
    report({
      key: 'voltage-dip',
      severity: 'consider',
      title: 'The voltage dips while a motor starts',
      because: `${worst.load.name} takes the voltage down by about ${quantityText(dip, 'share')}: lights dip, contactors may chatter, and the motor itself starts slower (its torque falls with the square of the voltage).`,
      cure: 'Fit a soft starter, or add an inverter in parallel.',
    });
  }
  return found;
}
