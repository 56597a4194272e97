import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { isDevMode, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { sayWho } from './data/identity';
import { sayVersion } from './field/new-version';
import { sayToken } from './people/session';
import { STAGES } from './shell/stage';
import { stages } from './stages/stages';
import { provideComponentSheets } from './theme/component-sheets';
import { levamenPreset } from './theme/levamen-preset';
import { provideLibrarySheets } from './theme/library-sheets';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideComponentSheets(),
    provideLibrarySheets(),
    { provide: STAGES, useValue: stages },
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(withFetch(), withInterceptors([sayWho, sayToken, sayVersion])),
    // Its files are fetched when the first page stands.
    provideServiceWorker('field.worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:15000',
    }),
    providePrimeNG({
      ripple: false,
      theme: {
        preset: levamenPreset,
        options: {
          darkModeSelector: '.ink-dark',
          cssLayer: { name: 'primeng', order: 'base, primeng, app' },
        },
      },
    }),
  ],
};
