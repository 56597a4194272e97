import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from './built-in-catalogue.js';
import { catalogueSchema } from '../catalogue/unit.schema.js';

const inverters = builtInCatalogue.filter(({ inverter }) => inverter !== null);
const named = (id: string) => builtInCatalogue.find((unit) => unit.id === id);

describe('the catalogue', () => {
  it('is valid, and every unit has an identifier and a name of its own', () => {
    expect(catalogueSchema.safeParse(builtInCatalogue).success).toBe(true);
    expect(new Set(builtInCatalogue.map(({ id }) => id)).size).toBe(builtInCatalogue.length);
    expect(new Set(builtInCatalogue.map(({ name }) => name)).size).toBe(builtInCatalogue.length);
  });

  it('has a unit for every role of a stack', () => {
    const roles = [
      'battery-inverter',
      'hybrid-inverter',
      'inverter-charger',
      'expansion-pack',
      'battery-module',
      'lead-acid-battery',
    ];
    for (const role of roles)
      expect(
        builtInCatalogue.some((unit) => unit.role === role),
        role,
      ).toBe(true);
  });

  it.each(inverters.map((unit) => [unit.name, unit] as const))('%s is whole in itself', (_, unit) => {
    const { inverter } = unit;
    if (!inverter) return;
    // A longer overload carries less than a shorter one, and all carry more than the continuous rating.
    for (const [index, { apparentPowerVA, durationS }] of inverter.overload.entries()) {
      expect(apparentPowerVA).toBeGreaterThan(inverter.continuousVA);
      const shorter = inverter.overload[index + 1];
      if (shorter) {
        expect(shorter.durationS).toBeLessThan(durationS);
        expect(shorter.apparentPowerVA).toBeGreaterThan(apparentPowerVA);
      }
    }
    const legs = { one: 1, two: 2, three: 3 }[inverter.output];
    expect(inverter.perLegVA * legs).toBeGreaterThanOrEqual(inverter.continuousVA * 0.999);
    for (const { unitId, least, most } of inverter.accepts) {
      expect(named(unitId)?.battery, unitId).toBeTruthy();
      expect(least).toBeLessThanOrEqual(most);
    }
    // Something stores energy: the unit itself or what it accepts.
    expect(unit.battery !== null || inverter.accepts.length > 0).toBe(true);
  });

  it('says of every lead-acid battery how its capacity depends on the rate, and of no other', () => {
    for (const { battery, name } of builtInCatalogue) {
      if (battery) expect(battery.peukert !== null, name).toBe(battery.chemistry === 'lead-acid');
    }
  });

  it('holds no battery that nothing accepts', () => {
    const accepted = new Set(
      inverters.flatMap(({ inverter }) => inverter!.accepts.map(({ unitId }) => unitId)),
    );
    for (const { id, battery, inverter } of builtInCatalogue) {
      if (battery && !inverter) expect(accepted, id).toContain(id);
    }
  });
});
