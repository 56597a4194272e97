import { outageOfVersion4 } from './3-outage.js';
import { isRecord, type Saved, textOf } from './saved.js';

/** Which legs a supply had as version 5 began; frozen. */
const legSetsOfVersion5: Readonly<Record<string, readonly string[]>> = {
  'split-120-240': ['L1', 'L2', 'L1-L2'],
  'two-legs-120-208': ['L1', 'L2', 'L1-L2'],
  'single-230': ['L1'],
  'three-230-400': ['L1', 'L2', 'L3', 'L1-L2', 'L1-L3', 'L2-L3', 'L1-L2-L3'],
};

/** Arrays did not follow when the supply was changed; those on legs that are not there go to the most there are. */
const settleArrays = (outage: Saved, supply: unknown): Saved => {
  const legSets = isRecord(supply) ? legSetsOfVersion5[textOf(supply['system'])] : undefined;
  const { arrays } = outage;
  if (!legSets || !Array.isArray(arrays)) return outage;
  return {
    ...outage,
    arrays: arrays.map((array: unknown) =>
      isRecord(array) && !legSets.includes(textOf(array['legs']))
        ? { ...array, legs: legSets.at(-1) }
        : array,
    ),
  };
};

/** Version 4 was changed while it was in use: its early documents lack the weather the brief asks to get through. */
export const completeOutage = (saved: Saved): Saved => ({
  ...saved,
  version: 5,
  brief: isRecord(saved['brief']) ? { outageWeather: null, ...saved['brief'] } : saved['brief'],
  outage: isRecord(saved['outage'])
    ? settleArrays({ ...outageOfVersion4, ...saved['outage'] }, saved['supply'])
    : outageOfVersion4,
});
