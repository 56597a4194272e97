import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';

bootstrapApplication(App, appConfig).catch((error: unknown) => {
  // Nothing is on the screen yet that could show it.
  document.body.textContent = `Levamen could not start: ${String(error)}. Reload the page.`;
});
