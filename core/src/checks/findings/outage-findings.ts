import { type Finding, quantityText } from '../../base/index.js';
import { legsOf, systemFacts } from '../../electric/index.js';
import { arrayInverterW } from '../../design/index.js';
import type { DemandContext, JudgedStack } from '../../study/index.js';

/** What sun and generator give reason to say beside a stack. */
export function outageFindings({ plan }: DemandContext, judged: JudgedStack | null): Finding[] {
  const { supply } = plan;
  const { arrays, generator } = plan.sources;
  if (!judged) return [];
  const { stack } = judged;
  const found: Finding[] = [];
  const acW = arrays
    .filter(({ coupling }) => coupling === 'ac')
    .reduce((sum, array) => sum + arrayInverterW(array), 0);
  const dcW = arrays.filter(({ coupling }) => coupling === 'dc').reduce((sum, { ratedW }) => sum + ratedW, 0);
  if (acW > stack.solarAcW) {
    found.push({
      key: 'solar-ac-limit',
      severity: 'must-fix',
      title: 'More AC-coupled solar than the battery inverter absorbs',
      because: `The solar inverters give up to ${quantityText(acW, 'W')}; ${stack.name} absorbs ${quantityText(stack.solarAcW, 'W')}. In an outage the rest is counted as lost.`,
      cure: 'Keep part of the solar on the grid side of the isolating device, add inverters, or couple it at their inputs.',
      figures: [],
    });
  }
  if (dcW > stack.solarDcW) {
    found.push({
      key: 'solar-dc-limit',
      severity: 'must-fix',
      title:
        stack.solarDcW === 0
          ? 'The stack has no inputs for solar'
          : 'More DC-coupled solar than the inputs take',
      because: `${quantityText(dcW, 'W')} of modules; the inputs of ${stack.name} take ${quantityText(stack.solarDcW, 'W')}.`,
      cure: 'Choose hybrid inverters with enough input, or give the array an inverter of its own (AC-coupled).',
      figures: [],
    });
  }
  if (generator && generator.startBelow >= generator.stopAbove) {
    found.push({
      key: 'generator-thresholds',
      severity: 'must-fix',
      title: 'The generator would stop as soon as it starts',
      because: `It starts below ${quantityText(generator.startBelow, 'share')} and stops above ${quantityText(generator.stopAbove, 'share')} of the charge.`,
      cure: 'Let it start at about 20 % and stop at about 90 % (common practice, no source).',
      figures: [],
    });
  }
  if (
    generator?.connection === 'through' &&
    generator.legs !== null &&
    legsOf(generator.legs).length < systemFacts[supply.system].legs.length
  ) {
    found.push({
      key: 'generator-legs',
      severity: 'must-fix',
      title: `The generator feeds ${generator.legs} only`,
      because: 'While it feeds the house alone, what hangs on the other legs stays dark.',
      cure: 'Take one that feeds all legs, connect it in parallel with the inverter, or let it feed a charger.',
      figures: [],
    });
  }
  if (generator && !generator.locksSolarOut && acW > 0) {
    found.push({
      key: 'generator-solar',
      severity: 'must-fix',
      title: 'Solar could push into the generator',
      because: 'Solar inverters beside it are not kept off while it runs.',
      cure: 'Lock AC-coupled solar out while the generator runs.',
      figures: [],
    });
  }
  if (generator && generator.chargerW > 0 && generator.chargerW < generator.powerW / 4) {
    found.push({
      key: 'generator-idles',
      severity: 'consider',
      title: 'The generator would idle',
      because: `The charger takes ${quantityText(generator.chargerW, 'W')} of its ${quantityText(generator.powerW, 'W')}; near full load it burns least for a kilowatt-hour.`,
      cure: 'A larger charger, or a smaller generator.',
      figures: [],
    });
  }
  return found;
}
