import type { Routes } from '@angular/router';
import { stages } from './stages/stages';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'jobs' },
  {
    path: 'jobs',
    title: 'Jobs · Levamen',
    loadComponent: () => import('./jobs/jobs-page').then((m) => m.JobsPage),
  },
  {
    path: 'jobs/:id',
    loadComponent: () => import('./shell/job-shell').then((m) => m.JobShell),
    children: [
      { path: '', pathMatch: 'full', redirectTo: stages[0]!.path },
      ...stages.map(({ path, screen }) => ({ path, loadComponent: screen })),
    ],
  },
  { path: '**', redirectTo: 'jobs' },
];
