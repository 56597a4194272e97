import type { Routes } from '@angular/router';

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
      { path: '', pathMatch: 'full', redirectTo: 'brief' },
      { path: 'brief', loadComponent: () => import('./stages/brief/brief-stage').then((m) => m.BriefStage) },
      { path: 'usage', loadComponent: () => import('./stages/usage/usage-stage').then((m) => m.UsageStage) },
      {
        path: 'panels',
        loadComponent: () => import('./stages/panels/panels-stage').then((m) => m.PanelsStage),
      },
      { path: 'loads', loadComponent: () => import('./stages/loads/loads-stage').then((m) => m.LoadsStage) },
      {
        path: 'backup',
        loadComponent: () => import('./stages/backup/backup-stage').then((m) => m.BackupStage),
      },
      {
        path: 'sources',
        loadComponent: () => import('./stages/sources/sources-stage').then((m) => m.SourcesStage),
      },
      {
        path: 'outage',
        loadComponent: () => import('./stages/outage/outage-stage').then((m) => m.OutageStage),
      },
    ],
  },
  { path: '**', redirectTo: 'jobs' },
];
