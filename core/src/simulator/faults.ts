/** What can be wrong with a simulated house, and how it is called. */
export const simulatedFaults = {
  'sensor-reversed': 'A current sensor is turned around',
  'sensors-swapped': 'Two current sensors are swapped',
  'battery-missing': 'One battery does not answer, and gives nothing',
  'address-twice': 'Two batteries have the same address',
  'neutral-open': 'No neutral is formed on the island',
  'solar-stays-away': 'Solar does not return on the island',
  'solar-holds-on': 'Solar does not back off when nothing takes it',
  'late-transfer': 'The transfer takes far longer than it should',
  'trips-early': 'The inverter trips far below its rating',
  'generator-silent': 'The generator does not start',
  'wrong-profile': 'The grid profile is that of another country',
  'clock-off': 'The clock is hours off',
  'flaky-network': 'The network drops every third answer',
} as const;
export type SimulatedFault = keyof typeof simulatedFaults;
export const simulatedFaultNames = Object.keys(simulatedFaults) as readonly SimulatedFault[];
