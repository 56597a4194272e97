/** A moment to the minute, as a report of the trade has it: "2026-11-28 10:00". */
export const momentText = (at: string): string => at.slice(0, 16).replace('T', ' ');
