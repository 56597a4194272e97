import type { Catalogue } from '../catalogue/unit.schema.js';
import { catalogueOf } from '../items/catalogue-of.js';
import { sampleLine } from './sample-line.js';

/** The units of the line that ships with the program. */
export const builtInCatalogue: Catalogue = catalogueOf(sampleLine);
