import { countOf, type Stage } from '../../shell/stage';

export const wiringStage: Stage = {
  path: 'wiring',
  name: 'Wiring',
  purpose: 'conductors, devices, and every way the switches can stand',
  screen: () => import('./wiring-stage').then((m) => m.WiringStage),
  completeness: ({ survey, wiring, sources }) =>
    countOf([
      survey.services.every(({ faultCurrentA }) => faultCurrentA !== null) || wiring.transformerKVA !== null,
      survey.panels.every(({ bonded }) => bonded !== null),
      ...(sources.generator ? [wiring.generatorNeutral !== null, wiring.transferNeutral !== null] : []),
    ]),
};
