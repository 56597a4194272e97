import { derived, type Figure, given, settingSource } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';
import type { Settings } from '../../design/index.js';
import type { StackEnergy } from './stack-energy.js';
import { settingFigure } from './setting-figures.js';

/**
 * Usable energy of a stack with its working.
 *
 * @param purpose whether the window for an outage or for daily use applies
 */
export function usableEnergyFigure(
  stack: Stack,
  energy: StackEnergy,
  settings: Settings,
  purpose: 'outage' | 'daily',
): Figure {
  const outage = purpose === 'outage';
  const window = outage ? energy.outageWindow : energy.dailyWindow;
  const depth = (outage ? settings.outageDepth : settings.dailyDepth)[stack.chemistry];
  const fade = stack.batteries[0]!.unit.battery!.fadePerYear;
  const allowed = given({
    key: `brief.${purpose}Depth`,
    label: outage ? 'Depth allowed in an outage' : 'Depth allowed day by day',
    value: depth.value,
    unit: 'share',
    source: settingSource(depth),
  });
  const lets = given({
    key: 'unit.usableShare',
    label: 'Share of the nameplate the unit lets out',
    value: stack.batteries[0]!.unit.battery!.usableShare,
    unit: 'share',
    source: { kind: 'catalogue', unit: stack.batteries[0]!.unit.name },
  });
  const measured = stack.measured
    ? {
        measured: given({
          key: 'stack.usableTimes',
          label: 'Measured over predicted',
          value: stack.measured.values.usableTimes,
          unit: 'factor',
          source: { kind: 'measured' },
        }),
      }
    : {};
  const years = settingFigure('sizeForYear', 'Year of life to size for', settings.sizeForYear, 'yr');
  return derived({
    key: `energy.usable.${purpose}`,
    label: outage ? 'Usable energy in an outage' : 'Usable energy day by day',
    value: outage ? energy.usableWh : energy.usableDailyWh,
    unit: 'Wh',
    formula: `{nameplate} × {window} × {health} × {temperature}${stack.measured ? ' × {measured}' : ''}`,
    inputs: {
      nameplate: given({
        key: 'stack.nameplate',
        label: 'Nameplate energy',
        value: stack.nameplateWh,
        unit: 'Wh',
        source: { kind: 'catalogue', unit: stack.name },
      }),
      window: derived({
        key: `energy.window.${purpose}`,
        label: 'Window',
        value: window,
        unit: 'share',
        formula: 'the smaller of {allowed} and {lets}',
        inputs: { allowed, lets },
      }),
      health: derived({
        key: 'energy.stateOfHealth',
        label: 'State of health',
        value: energy.stateOfHealth,
        unit: 'share',
        formula: '100 % − {fade} × {years}',
        inputs: {
          fade: given({
            key: 'unit.fade',
            label: 'Yearly loss',
            value: fade,
            unit: 'share',
            source: { kind: 'catalogue', unit: stack.batteries[0]!.unit.name },
          }),
          years,
        },
      }),
      temperature: derived({
        key: 'energy.temperatureFactor',
        label: 'Temperature factor',
        value: energy.temperatureFactor,
        unit: 'share',
        formula: 'capacity at {temperature}',
        inputs: {
          temperature: settingFigure(
            'batteryTemperatureC',
            'Battery temperature',
            settings.batteryTemperatureC,
            '°C',
          ),
        },
        source:
          stack.chemistry === 'lithium'
            ? { kind: 'common-practice' }
            : { kind: 'published', reference: 'Temperature correction of IEEE 485' },
      }),
      ...measured,
    },
    levers: [
      'another battery or expansion pack',
      'sizing for an earlier year of life',
      'a warmer place for the battery',
    ],
  });
}
