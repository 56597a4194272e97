/** Monthly means of a place, from which a year of weather is made. */
export interface Climate {
  readonly id: string;
  readonly name: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly altitudeM: number;
  readonly zoneH: number;
  /** Monthly mean clearness (global over extraterrestrial), January first. */
  readonly clearness: readonly number[];
  /** Monthly mean temperature, °C. */
  readonly temperatureC: readonly number[];
  /** Usual difference of day and night, °C. */
  readonly dailySwingC: number;
}

/** Typical climates; rounded values that stand for no weather station (common practice, no source). */
// prettier-ignore
export const typicalClimates: readonly Climate[] = [
  { id: 'cold-coast', name: 'Cold coast', latitudeDeg: 45, longitudeDeg: -64, altitudeM: 30, zoneH: -4, clearness: [0.41, 0.46, 0.48, 0.46, 0.47, 0.49, 0.5, 0.51, 0.5, 0.46, 0.39, 0.36], temperatureC: [-5, -5, -1, 5, 10, 15, 19, 19, 15, 10, 4, -2], dailySwingC: 9 },
  { id: 'cold-inland', name: 'Cold inland', latitudeDeg: 47, longitudeDeg: -95, altitudeM: 380, zoneH: -6, clearness: [0.5, 0.54, 0.54, 0.51, 0.51, 0.53, 0.56, 0.55, 0.51, 0.46, 0.42, 0.44], temperatureC: [-14, -11, -4, 5, 13, 18, 21, 20, 14, 7, -2, -11], dailySwingC: 12 },
  { id: 'rainy-coast', name: 'Rainy temperate coast', latitudeDeg: 48, longitudeDeg: -123, altitudeM: 50, zoneH: -8, clearness: [0.31, 0.37, 0.42, 0.46, 0.5, 0.51, 0.57, 0.55, 0.51, 0.41, 0.32, 0.29], temperatureC: [5, 6, 8, 10, 13, 16, 19, 19, 16, 11, 7, 4], dailySwingC: 8 },
  { id: 'mixed', name: 'Mixed humid', latitudeDeg: 39, longitudeDeg: -77, altitudeM: 60, zoneH: -5, clearness: [0.44, 0.47, 0.48, 0.49, 0.49, 0.51, 0.51, 0.5, 0.5, 0.49, 0.44, 0.41], temperatureC: [1, 3, 8, 14, 19, 24, 26, 25, 21, 15, 9, 3], dailySwingC: 10 },
  { id: 'hot-humid', name: 'Hot and humid', latitudeDeg: 29, longitudeDeg: -95, altitudeM: 20, zoneH: -6, clearness: [0.44, 0.46, 0.46, 0.46, 0.5, 0.54, 0.54, 0.53, 0.52, 0.53, 0.48, 0.43], temperatureC: [12, 14, 17, 21, 25, 28, 29, 29, 27, 22, 17, 13], dailySwingC: 9 },
  { id: 'desert', name: 'Desert', latitudeDeg: 33, longitudeDeg: -112, altitudeM: 340, zoneH: -7, clearness: [0.6, 0.63, 0.66, 0.7, 0.71, 0.71, 0.65, 0.65, 0.68, 0.67, 0.64, 0.6], temperatureC: [13, 15, 18, 23, 28, 33, 35, 34, 31, 25, 18, 13], dailySwingC: 14 },
  { id: 'highland', name: 'Dry highland', latitudeDeg: 40, longitudeDeg: -105, altitudeM: 1600, zoneH: -7, clearness: [0.58, 0.6, 0.6, 0.58, 0.57, 0.6, 0.6, 0.6, 0.61, 0.61, 0.57, 0.56], temperatureC: [-1, 1, 5, 9, 14, 20, 24, 23, 18, 11, 4, -1], dailySwingC: 15 },
  { id: 'central-europe', name: 'Central European hills', latitudeDeg: 47.4, longitudeDeg: 15.9, altitudeM: 420, zoneH: 1, clearness: [0.37, 0.42, 0.43, 0.44, 0.45, 0.46, 0.48, 0.48, 0.45, 0.41, 0.35, 0.33], temperatureC: [-2, 0, 5, 10, 14, 18, 20, 19, 15, 9, 4, -1], dailySwingC: 10 },
  { id: 'atlantic-europe', name: 'Atlantic north-west Europe', latitudeDeg: 53, longitudeDeg: -2, altitudeM: 60, zoneH: 0, clearness: [0.31, 0.36, 0.38, 0.42, 0.44, 0.43, 0.43, 0.42, 0.4, 0.37, 0.33, 0.29], temperatureC: [4, 5, 6, 9, 12, 15, 17, 17, 14, 11, 7, 5], dailySwingC: 7 },
  { id: 'mediterranean', name: 'Mediterranean', latitudeDeg: 38, longitudeDeg: 14, altitudeM: 60, zoneH: 1, clearness: [0.45, 0.48, 0.51, 0.53, 0.57, 0.61, 0.64, 0.62, 0.57, 0.51, 0.46, 0.43], temperatureC: [11, 11, 13, 15, 19, 23, 26, 27, 24, 20, 16, 13], dailySwingC: 8 },
  { id: 'southern-temperate', name: 'Southern temperate coast', latitudeDeg: -34, longitudeDeg: 151, altitudeM: 40, zoneH: 10, clearness: [0.5, 0.49, 0.49, 0.51, 0.5, 0.49, 0.53, 0.55, 0.54, 0.52, 0.51, 0.51], temperatureC: [23, 23, 22, 19, 16, 13, 13, 14, 16, 18, 20, 22], dailySwingC: 8 },
  { id: 'tropical', name: 'Tropical', latitudeDeg: 14, longitudeDeg: 121, altitudeM: 20, zoneH: 8, clearness: [0.47, 0.52, 0.55, 0.57, 0.51, 0.46, 0.43, 0.41, 0.43, 0.44, 0.45, 0.44], temperatureC: [26, 26, 28, 29, 29, 28, 28, 27, 27, 27, 27, 26], dailySwingC: 7 },
];
