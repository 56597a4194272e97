export { type StackClimate, stackClimate } from './climate/stack-climate.js';
