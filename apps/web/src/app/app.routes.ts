import type { Routes } from '@angular/router';
import { Today } from './today/today';

const views = () => import('./views');

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: 'Today – Pomek', component: Today },
  {
    path: 'exercises',
    title: 'Exercises – Pomek',
    loadComponent: async () => (await views()).Exercises,
  },
  {
    path: 'exercises/:id',
    title: 'Exercises – Pomek',
    loadComponent: async () => (await views()).Exercises,
  },
  {
    path: 'exercises/:id/edit',
    title: 'Edit an exercise – Pomek',
    loadComponent: async () => (await views()).ExerciseEditor,
  },
  {
    path: 'routines',
    title: 'Routines – Pomek',
    loadComponent: async () => (await views()).Routines,
  },
  {
    path: 'routines/lay-out',
    title: 'Lay one out – Pomek',
    loadComponent: async () => (await views()).LayOut,
  },
  {
    path: 'routines/chains/:id',
    title: 'Chain – Pomek',
    loadComponent: async () => (await views()).ChainPage,
  },
  {
    path: 'routines/chains/:chainId/give',
    title: 'Give – Pomek',
    loadComponent: async () => (await views()).GivePage,
  },
  {
    path: 'routines/:routineId/give',
    title: 'Give – Pomek',
    loadComponent: async () => (await views()).GivePage,
  },
  {
    path: 'routines/:id',
    title: 'Routine – Pomek',
    loadComponent: async () => (await views()).RoutineEditor,
  },
  {
    path: 'students',
    title: 'Students – Pomek',
    loadComponent: async () => (await views()).Students,
  },
  {
    path: 'students/season',
    title: 'The season – Pomek',
    loadComponent: async () => (await views()).SeasonPage,
  },
  {
    path: 'students/:id',
    title: 'Student – Pomek',
    loadComponent: async () => (await views()).StudentFile,
  },
  {
    path: 'students/:id/film/:stillId/followed',
    title: 'Followed through a film – Pomek',
    loadComponent: async () => (await views()).FilmPage,
  },
  {
    path: 'students/:id/film/:stillId/beside',
    title: 'Two films in step – Pomek',
    loadComponent: async () => (await views()).FilmsBeside,
  },
  {
    path: 'students/:id/film/:stillId',
    title: 'Seen on film – Pomek',
    loadComponent: async () => (await views()).StillPage,
  },
  {
    path: 'classes',
    title: 'Classes – Pomek',
    loadComponent: async () => (await views()).Classes,
  },
  {
    path: 'classes/:id',
    title: 'Class – Pomek',
    loadComponent: async () => (await views()).ClassPage,
  },
  {
    path: 'practise',
    title: 'Practise – Pomek',
    loadComponent: async () => (await views()).PractiseStart,
  },
  {
    path: 'practise/:journalId',
    title: 'Practising – Pomek',
    data: { fullScreen: true },
    loadComponent: async () => (await views()).Conductor,
  },
  { path: 'files', title: 'Files – Pomek', loadComponent: async () => (await views()).Files },
  {
    path: 'sources',
    title: 'Sources – Pomek',
    loadComponent: async () => (await views()).SourcesPage,
  },
  {
    path: 'ten-minutes',
    title: 'Pomek in ten minutes',
    loadComponent: async () => (await views()).TenMinutes,
  },
  { path: '**', title: 'Not here – Pomek', loadComponent: async () => (await import('./shell/not-here')).NotHere },
];
