import { type Report, type Case, namesOf, circuitsText } from './case.js';

export function checkControl({ said, items }: Case, report: Report): void {
  const controlled = items.filter(({ lane, feeds }) => lane === 'auto' && feeds === null);
  const takes = said.controlledCircuits;
  if (takes === null) {
    report(
      'control',
      'consider',
      'Size of the load control not settled',
      `It controls ${circuitsText(controlled.length)} now.`,
      'Enter how many circuits the devices can take.',
    );
  } else if (controlled.length > takes) {
    report(
      'control',
      'must-fix',
      'More circuits are shed than the load control takes',
      `${controlled.length} against ${takes}: ${namesOf(controlled)}.`,
      'Take a larger control, or let some stay on.',
    );
  } else {
    report(
      'control',
      'fine',
      'The load control takes what is shed',
      `${controlled.length} of ${takes} circuits.`,
    );
  }
}
