import type { Commissioning } from '../../house/index.js';
import { backToTheGrid } from './back-to-the-grid.js';
import { closing } from './closing.js';
import { deadTests } from './dead-tests.js';
import type { DesignInHand } from './design-in-hand.js';
import { energising } from './energising.js';
import { question } from './question.js';
import { settingsToSet } from './settings-to-set.js';
import { stagedOutage } from './staged-outage.js';
import type { Step } from './step.js';
import { whatSpeaks } from './what-speaks.js';

/**
 * The steps on which a design is put into service, in their order: they follow from its wiring, its equipment and its place; those
 * somebody added come last.
 */
export const stepsOf = (design: DesignInHand, { added }: Pick<Commissioning, 'added'>): Step[] => [
  ...deadTests(design),
  ...energising(design),
  ...whatSpeaks(design),
  ...settingsToSet(design),
  ...stagedOutage(design),
  ...backToTheGrid(design),
  ...closing(design),
  ...added.map(({ id, title, how }) => question('own', { id: `own:${id}`, title, how, why: '' })),
];
