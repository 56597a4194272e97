import { type House, loadsByCircuit } from '../../house/index.js';
import { codeValues, type UnderCode } from '../../rules/index.js';
import type { Subject } from '../../rules/packs.js';
import { circuitConductor, feederConductor } from './conductor-subject.js';
import { circuitSubject, loadSubjects } from './circuit-subjects.js';
import { neutralSubjects } from './neutral-subjects.js';
import { panelSubject } from './panel-subject.js';
import { surveyBonds } from './survey-bonds.js';

/** Everything of the survey that rules are asked about, panel by panel. */
export function surveySubjects(house: House & UnderCode): Subject[] {
  const { continuousFactor } = codeValues(house);
  const bonds = surveyBonds(house);
  const loadsOn = loadsByCircuit(house.loads);
  return house.survey.panels.flatMap((panel) => [
    panelSubject(house, panel, bonds),
    ...neutralSubjects(house, panel),
    ...[feederConductor(house, panel)].filter((subject) => subject !== null),
    ...panel.circuits.flatMap((circuit): Subject[] => {
      const loads = loadsOn.get(circuit.id) ?? [];
      const conductor = circuitConductor(panel, circuit);
      return [
        circuitSubject(house, panel, circuit, loads),
        ...(conductor ? [conductor] : []),
        ...loadSubjects(house, panel, circuit, loads, continuousFactor),
      ];
    }),
  ]);
}
