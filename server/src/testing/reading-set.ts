/** What a set of readings is begun with: an hour of a meter that counts both ways. */
export const readingSet = {
  name: 'Meter',
  zone: 'Europe/Vienna',
  startS: 1_767_225_600,
  intervalS: 900,
  count: 4,
  channels: [
    { name: 'Import', role: 'import', quantity: 'energy' },
    { name: 'Export', role: 'export', quantity: 'energy' },
  ],
} as const;
