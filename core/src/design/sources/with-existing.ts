import type { Sources } from './sources.schema.js';

/**
 * The sources of a design with what belongs to the house as another design has it: arrays and generator that are there already are the same
 * in every design. What the other design has as its own stays this one's own affair.
 *
 * @param leader sources of the design that was edited
 */
export function withExisting(own: Sources, leader: Sources): Sources {
  const led = new Map(leader.arrays.map((array) => [array.id, array]));
  const there = leader.arrays.filter(({ existing }) => existing);
  const rest = own.arrays.flatMap((array) => {
    const theirs = led.get(array.id);
    if (theirs?.existing) return [];
    // What is no longer there already is new here too; what the leader removed from the house is gone.
    if (array.existing) return theirs ? [{ ...array, existing: false }] : [];
    return [array];
  });
  const arrays = [...there, ...rest];
  const generator =
    leader.generator?.existing === true
      ? leader.generator
      : own.generator?.existing === true
        ? leader.generator && { ...own.generator, existing: false }
        : own.generator;
  const same =
    generator === own.generator &&
    arrays.length === own.arrays.length &&
    arrays.every((array, index) => array === own.arrays[index]);
  return same ? own : { ...own, arrays, generator };
}
