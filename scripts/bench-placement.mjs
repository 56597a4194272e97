// Measures the search of walls and the answer of the rules to one move. Usage: node scripts/bench-placement.mjs
import { emptyPlan } from '@levamen/core/design';
import { newWall } from '@levamen/core/house';
import { checkPlacement, rankWalls, searchWall } from '@levamen/core/placement/details';

const thing = (number, changes) => ({
  id: `unit:house:box:${number}`,
  name: `Box ${number}`,
  kind: 'unit',
  islandId: 'house',
  widthM: 0.58,
  heightM: 1.06,
  depthM: 0.21,
  isSizeAssumed: false,
  massKg: 120,
  energyWh: 9000,
  clear: { aboveM: 0.16, belowM: 0.3, besideM: 0.14, frontM: 0.6 },
  betweenM: 0.19,
  mounting: 'wall',
  outdoors: true,
  isOptional: false,
  unit: null,
  ...changes,
});
const opening = (id, kind, leftM, bottomM, widthM, heightM) => ({
  id,
  kind,
  name: '',
  leftM,
  bottomM,
  widthM,
  heightM,
});
const walls = [8, 10, 6, 12, 5, 9].map((lengthM, index) => ({
  ...newWall(`wall-${index}`, 'ABCDEF'[index], lengthM, 2.7),
  construction: 'wood',
  studSpacingM: 0.4064,
  firstStudM: 0.2,
  freeBeforeM: 2,
  openings: [
    opening('door', 'door', lengthM / 2, 0, 0.9, 2.05),
    opening('window', 'window', lengthM / 4, 1, 1.1, 1.2),
    opening('panel', 'panel', 0.4 + index * 0.4, 1.1, 0.37, 0.76),
    ...(index % 2 ? [opening('gas', 'gas-meter', lengthM - 1, 0.4, 0.5, 0.6)] : []),
  ],
}));
const plan = { ...emptyPlan(), lot: { ...emptyPlan().lot, walls } };

const units = [1, 2, 3, 4].map((number) =>
  thing(number, number > 2 ? { widthM: 0.58, heightM: 0.89, unit: null } : {}),
);
const stacking = [1, 2, 3, 4].map((number) =>
  thing(number, {
    heightM: 0.39,
    widthM: 0.47,
    clear: { aboveM: 0.09, belowM: 0, besideM: 0.11, frontM: 0.6 },
    betweenM: 0,
    massKg: 44,
  }),
);
for (const [name, wanted] of [
  ['two units, two packs', units],
  ['four modules that may stand on each other', stacking],
]) {
  const begin = performance.now();
  const found = rankWalls(
    walls.map((wall) => {
      const from = performance.now();
      const one = searchWall(plan, wanted, wanted, wall, 0.05, null);
      console.log(
        `  wall ${wall.name}: ${Math.round(performance.now() - from)} ms, ${'places' in one ? `effort ${one.effortM?.toFixed(2)} m, ${one.proved ? 'proved' : 'not proved'}` : one.reasons.join('; ')}`,
      );
      return one;
    }),
  );
  console.log(
    `${name}: ${Math.round(performance.now() - begin)} ms for 6 walls, ${found.offers.length} hold it`,
  );
}
const placed = units.map(({ id }, index) => ({
  thingId: id,
  wallId: 'wall-3',
  leftM: 1 + index,
  bottomM: 0.5,
}));
const times = [];
for (let step = 0; step < 200; step += 1) {
  const moved = {
    ...plan,
    placement: {
      ...plan.placement,
      placed: placed.map((one, at) => (at === 0 ? { ...one, leftM: 1 + step * 0.01 } : one)),
    },
  };
  const begin = performance.now();
  checkPlacement(moved, units, []);
  times.push(performance.now() - begin);
}
times.sort((a, b) => a - b);
console.log(`rules after a move: median ${times[100].toFixed(2)} ms, p95 ${times[190].toFixed(2)} ms`);
