const two = (value: number): string => String(value).padStart(2, '0');

/** The day it is at a moment where the page is looked at: "2026-02-28". */
export const localDay = (moment: Date): string =>
  `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}`;
