import { derived, type Figure, type FigureUnit, given, settingSource } from '../../base/index.js';
import { type Chemistry, stateOfHealth, temperatureFactor, worstWindow } from '../../electric/index.js';
import { type DrainPath, requiredNameplateWh } from '../../equipment/index.js';
import type { DemandContext } from './demand-context.js';
import { requiredRuntimeFigure, settingFigure } from './setting-figures.js';

interface Typical {
  readonly path: DrainPath;
  readonly usableShare: number;
  readonly fadePerYear: number;
}

/** What is assumed of a battery before one is chosen (common practice, no source). */
const typical: Readonly<Record<Chemistry, Typical>> = {
  lithium: {
    path: { dischargeEfficiency: 0.945, standbyW: 55, peukert: null },
    usableShare: 0.93,
    fadePerYear: 0.0125,
  },
  'lead-acid': {
    path: { dischargeEfficiency: 0.91, standbyW: 45, peukert: { exponent: 1.2, ratedHours: 20 } },
    usableShare: 0.8,
    fadePerYear: 0.04,
  },
};

const practice = (key: string, label: string, value: number, unit: FigureUnit): Figure =>
  given({ key, label, value, unit, source: { kind: 'common-practice' } });

/** AC energy the loads take over the required runtime, from the worst hour of the day. */
export function deliveredEnergyFigure(context: DemandContext): Figure {
  const hours = requiredRuntimeFigure(context.settings);
  const window = worstWindow(context.hourlyWh, hours.value);
  return derived({
    key: 'energy.delivered',
    label: 'Energy to deliver',
    value: window.energyWh,
    unit: 'Wh',
    formula: 'worst {hours} of a day of {day}',
    inputs: {
      hours,
      day: given({
        key: 'energy.backupSetDay',
        label: 'Energy of the backup set a day',
        value: context.hourlyWh.reduce((sum, wh) => sum + wh, 0),
        unit: 'Wh',
        source: { kind: 'derived' },
      }),
    },
    assumptions: [
      `season: ${context.settings.designSeason.value}`,
      `the worst start is ${Math.floor(window.startHour)}:00`,
    ],
    levers: ['a shorter required runtime', 'taking a load out of the backup set'],
  });
}

/**
 * Nameplate energy the brief asks for, before a stack is chosen, for a typical battery of a chemistry.
 *
 * The share lost to Peukert's law is shown as its own factor.
 */
export function requiredNameplateFigure(context: DemandContext, chemistry: Chemistry): Figure {
  const { settings, hourlyWh } = context;
  const { path, usableShare, fadePerYear } = typical[chemistry];
  const depth = settings.outageDepth[chemistry];
  const window = Math.min(depth.value, usableShare);
  const health = stateOfHealth(fadePerYear, settings.sizeForYear.value);
  const temperature = temperatureFactor(chemistry, settings.batteryTemperatureC.value);
  const derating = { window, stateOfHealth: health, temperatureFactor: temperature };
  const hours = settings.requiredRuntimeH.value;
  const valueWh = requiredNameplateWh(hourlyWh, hours, path, derating);
  const linearWh = requiredNameplateWh(hourlyWh, hours, { ...path, peukert: null }, derating);
  const leadAcid = chemistry === 'lead-acid';
  return derived({
    key: `requirement.nameplate.${chemistry}`,
    label: leadAcid ? 'Nameplate energy, lead-acid' : 'Nameplate energy, lithium',
    value: valueWh,
    unit: 'Wh',
    formula: `({delivered} + {standby} × {hours}) ÷ ({efficiency} × {window} × {health} × {temperature}${leadAcid ? ' × {rate}' : ''})`,
    inputs: {
      delivered: deliveredEnergyFigure(context),
      standby: practice('typical.standby', 'Stand-by draw', path.standbyW, 'W'),
      hours: requiredRuntimeFigure(settings),
      efficiency: practice('typical.efficiency', 'Discharge efficiency', path.dischargeEfficiency, 'share'),
      window: given({
        key: 'brief.outageDepth',
        label: 'Window',
        value: window,
        unit: 'share',
        source: depth.value <= usableShare ? settingSource(depth) : { kind: 'common-practice' },
      }),
      health: derived({
        key: 'typical.health',
        label: 'State of health',
        value: health,
        unit: 'share',
        formula: '100 % − {fade} × {years}',
        inputs: {
          fade: practice('typical.fade', 'Yearly loss', fadePerYear, 'share'),
          years: settingFigure('sizeForYear', 'Year of life to size for', settings.sizeForYear, 'yr'),
        },
      }),
      temperature: derived({
        key: 'typical.temperature',
        label: 'Temperature factor',
        value: temperature,
        unit: 'share',
        formula: 'capacity at {at}',
        inputs: {
          at: settingFigure('batteryTemperatureC', 'Battery temperature', settings.batteryTemperatureC, '°C'),
        },
      }),
      ...(leadAcid
        ? {
            rate: given({
              key: 'typical.rate',
              label: 'Capacity left at this rate (Peukert)',
              value: valueWh > 0 ? linearWh / valueWh : 1,
              unit: 'share',
              source: { kind: 'published', reference: "Peukert's law, t = H · (C / (I · H))^k" },
            }),
          }
        : {}),
    },
    assumptions: ['a typical unit; the catalogue entry counts once a stack is chosen', 'no sun is counted'],
    levers: ['a shorter required runtime', 'sizing for an earlier year of life', 'a warmer place'],
  });
}
