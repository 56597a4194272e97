import type { Routes } from '@angular/router';
import { signedIn } from './people/session';
import { stages } from './stages/stages';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'jobs' },
  {
    path: 'sign-in',
    title: 'Sign in · Levamen',
    loadComponent: () => import('./people/sign-in-page').then((m) => m.SignInPage),
  },
  {
    path: 'join/:link',
    title: 'Join · Levamen',
    loadComponent: () => import('./people/join-page').then((m) => m.JoinPage),
  },
  {
    path: 'given/:secret',
    title: 'For you',
    loadComponent: () => import('./given/given-page').then((m) => m.GivenPage),
  },
  {
    path: '',
    canActivate: [signedIn],
    children: [
      {
        path: 'people',
        title: 'People · Levamen',
        loadComponent: () => import('./people/people-page').then((m) => m.PeoplePage),
      },
      {
        path: 'jobs',
        title: 'Jobs · Levamen',
        loadComponent: () => import('./jobs/jobs-page').then((m) => m.JobsPage),
      },
      {
        path: 'houses',
        title: 'All houses · Levamen',
        loadComponent: () => import('./houses/houses-page').then((m) => m.HousesPage),
      },
      {
        path: 'equipment',
        title: 'Equipment · Levamen',
        loadComponent: () => import('./equipment/equipment-page').then((m) => m.EquipmentPage),
      },
      {
        path: 'equipment/prices',
        title: 'Prices · Levamen',
        loadComponent: () => import('./equipment/prices-page').then((m) => m.PricesPage),
      },
      {
        path: 'company',
        title: 'Company sheet · Levamen',
        loadComponent: () => import('./company/company-page').then((m) => m.CompanyPage),
      },
      {
        path: 'quick',
        title: 'A quick answer · Levamen',
        loadComponent: () => import('./quick/quick-page').then((m) => m.QuickPage),
      },
      {
        path: 'jobs/:id',
        loadComponent: () => import('./shell/job-shell').then((m) => m.JobShell),
        children: [
          { path: '', pathMatch: 'full', redirectTo: stages[0]!.path },
          ...stages.map(({ path, screen }) => ({ path, loadComponent: screen })),
          {
            path: 'open-points',
            loadComponent: () => import('./open-points/open-points-page').then((m) => m.OpenPointsPage),
          },
          {
            path: 'designs',
            loadComponent: () => import('./designs/designs-page').then((m) => m.DesignsPage),
          },
          {
            path: 'rules',
            loadComponent: () => import('./rules/rules-page').then((m) => m.RulesPage),
          },
          {
            path: 'photos',
            loadComponent: () => import('./photos/photos-page').then((m) => m.PhotosPage),
          },
        ],
      },
    ],
  },
  { path: '**', redirectTo: 'jobs' },
];
