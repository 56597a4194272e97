export { type SimulatedFault, simulatedFaultNames, simulatedFaults } from './faults.js';
export { asDesigned, type HiddenTruth, hiddenTruth } from './hidden-truth.js';
export { type HouseNow, type HouseState, SimulatedHouse } from './simulated-house.js';
export { simulateDesign, simulatorOf } from './simulate-design.js';
