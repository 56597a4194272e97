/** What devices say of a step, and in words what they were seen to do. */
export interface Found {
  readonly reading: number | null;
  readonly isSo: boolean | null;
  readonly says: string;
}

export const foundReading = (reading: number, says: string): Found => ({ reading, isSo: null, says });
export const foundSo = (isSo: boolean, says: string): Found => ({ reading: null, isSo, says });
