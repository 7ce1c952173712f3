import { cellarBase } from './cellar.ts';
import { STATIONS } from '@hollow-bell/core/rounds';
import { createRouter, createWebHistory } from 'vue-router';

export const router = createRouter({
  history: createWebHistory(cellarBase === '' ? '/' : cellarBase),
  routes: [
    { path: '/', name: 'rounds', component: () => import('./places/RoundsPlace.vue') },
    { path: '/batches', name: 'batches', component: () => import('./places/BatchesPlace.vue') },
    { path: '/batches/new', name: 'new', component: () => import('./places/NewBatchPlace.vue') },
    { path: '/batches/found', name: 'found', component: () => import('./places/FoundBatchPlace.vue') },
    { path: '/batches/:id', name: 'batch', component: () => import('./places/BatchPlace.vue'), props: true },
    {
      path: `/batches/:id/:station(${STATIONS.join('|')})`,
      name: 'station',
      component: () => import('./places/BatchPlace.vue'),
      props: true,
    },
    { path: '/batches/:id/label', name: 'label', component: () => import('./places/LabelPlace.vue'), props: true },
    { path: '/bench/:tool?', name: 'bench', component: () => import('./places/BenchPlace.vue'), props: true },
    { path: '/shelf', name: 'shelf', component: () => import('./places/ShelfPlace.vue') },
    { path: '/cellar', name: 'cellar', component: () => import('./places/CellarPlace.vue') },
    { path: '/cellar/recipes', name: 'recipes', component: () => import('./places/RecipesPlace.vue') },
    { path: '/practice', name: 'practice', component: () => import('./places/PracticePlace.vue') },
    { path: '/house', name: 'house', component: () => import('./places/HousePlace.vue') },
    { path: '/help', name: 'help', component: () => import('./places/HelpPlace.vue') },
    { path: '/enter', name: 'enter', component: () => import('./places/EnterPlace.vue') },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./places/NowherePlace.vue') },
  ],
  scrollBehavior: ({ hash }, _from, saved) => saved ?? (hash === '' ? { top: 0 } : { el: hash }),
});
