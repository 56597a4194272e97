import { describe, expect, it } from 'vitest';
import { guessKind } from './guess-kind.js';
import { loadLibrary } from './library/load-library.js';

describe('the kind a name speaks of', () => {
  it.each([
    ['Well pump 1 hp', 'pump'],
    ['HEAT PUMP upstairs', 'heat-pump'],
    ['Heat pump aux heat', 'backup-heat'],
    ['Car charger 9600 W', 'vehicle'],
    ['EV', 'vehicle'],
    ['A/C condenser', 'cooling'],
    ['Range hood', 'fan'],
    ['Range', 'range'],
    ['Oven', 'range'],
    ['Toaster oven', 'small-appliance'],
    ['Dryer', 'dryer'],
    ['Hair dryer', 'small-appliance'],
    ['Dishwasher', 'dishwasher'],
    ['Washer', 'laundry'],
    ['Water heater', 'water-heater'],
    ['Gas furnace', 'heating-appliance'],
    ['Baseboard', 'space-heating'],
    ['Kitchen lights', 'lighting'],
    ['Kitchen outlets', 'outlets'],
    ['Garage fridge', 'refrigeration'],
    ['Hot tub', 'pool'],
    ['Pool pump', 'pool'],
    ['CPAP', 'medical'],
    ['Zzz', 'other'],
    ['', 'other'],
  ] as const)('%s: %s', (name, kind) => {
    expect(guessKind(name)).toBe(kind);
  });

  it('is that of the library for nearly all of its entries, and none of its climate loads is missed', () => {
    const missed = loadLibrary.filter(({ name, kind }) => guessKind(name) !== kind);
    expect(missed.length / loadLibrary.length).toBeLessThan(0.15);
    for (const { name, kind } of missed) {
      expect(['heat-pump', 'backup-heat', 'cooling', 'space-heating', 'vehicle'], name).not.toContain(kind);
    }
  });
});
