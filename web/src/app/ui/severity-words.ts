import type { Severity } from '@levamen/core/base';

/** How bad a finding is: a word and a shape. */
export const severityWords: Readonly<Record<Severity, { readonly word: string; readonly icon: string }>> = {
  stops: { word: 'stops the job', icon: 'pi pi-ban' },
  'must-fix': { word: 'must be fixed', icon: 'pi pi-times-circle' },
  consider: { word: 'consider', icon: 'pi pi-info-circle' },
  fine: { word: 'fine', icon: 'pi pi-check-circle' },
};
