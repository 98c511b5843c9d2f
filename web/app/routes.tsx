import { createBrowserRouter } from 'react-router';
import { BrokenPage, NoSuchPage, Opening } from './NoSuchPage.tsx';
import { patient } from './patient.ts';

/**
 * Every address of the studio. Each place is its own chunk, loaded when it is entered; the door (signing in) knows
 * nothing of the house behind it: neither its store nor the component library.
 */
export const router = createBrowserRouter(
  patient([
    { path: '/sign-in', HydrateFallback: Opening, lazy: () => import('../places/sign-in/SignInPage.tsx') },
    { path: '/answer', HydrateFallback: Opening, lazy: () => import('../places/answer/AnswerPage.tsx') },
    { path: '/at-home', HydrateFallback: Opening, lazy: () => import('../places/at-home/AtHomePage.tsx') },
    {
      path: '/tape-device',
      HydrateFallback: Opening,
      lazy: () => import('../places/tape-device/TapeDevicePage.tsx'),
    },
    { path: '/setup', HydrateFallback: Opening, lazy: () => import('../places/sign-in/SetupPage.tsx') },
    {
      path: '/',
      lazy: () => import('./House.tsx'),
      HydrateFallback: Opening,
      ErrorBoundary: BrokenPage,
      children: [
        { index: true, lazy: () => import('../places/orders/OrdersPage.tsx') },
        { path: 'orders', lazy: () => import('../places/orders/OrdersPage.tsx') },
        { path: 'orders/:id/sheet', lazy: () => import('../places/sheet/SheetPage.tsx') },
        { path: 'today', lazy: () => import('../places/diary/TodayPage.tsx') },
        { path: 'diary', lazy: () => import('../places/diary/DiaryPage.tsx') },
        { path: 'messages', lazy: () => import('../places/diary/OutboxPage.tsx') },
        { path: 'diary/weeks', lazy: () => import('../places/diary/WeeksPage.tsx') },
        { path: 'clients', lazy: () => import('../places/clients/ClientsPage.tsx') },
        {
          lazy: () => import('./DressedPages.tsx'),
          children: [
            { path: 'orders/new', lazy: () => import('../places/orders/NewOrderPage.tsx') },
            { path: 'orders/:id', lazy: () => import('../places/orders/OrderPage.tsx') },
            { path: 'orders/:id/brief', lazy: () => import('../places/orders/BriefPage.tsx') },
            { path: 'orders/:id/fitting', lazy: () => import('../places/fitting/FittingPage.tsx') },
            { path: 'orders/:id/alterations/:alteration', lazy: () => import('../places/bench/JobPage.tsx') },
            { path: 'brought-in', lazy: () => import('../places/fitting/BringInPage.tsx') },
            { path: 'bench', lazy: () => import('../places/bench/BenchPage.tsx') },
            { path: 'orders/:id/measure', lazy: () => import('../places/measuring/MeasurePage.tsx') },
            { path: 'orders/:id/pattern', lazy: () => import('../places/pattern/PatternPage.tsx') },
            { path: 'promises', lazy: () => import('../places/plan/PromisesPage.tsx') },
            { path: 'orders/:id/estimate', lazy: () => import('../places/estimate/EstimatePage.tsx') },
            { path: 'orders/:id/plan', lazy: () => import('../places/plan/PlanPage.tsx') },
            { path: 'orders/:id/cloth', lazy: () => import('../places/cloth/ClothPage.tsx') },
            {
              path: 'orders/:id/paper-pattern',
              lazy: () => import('../places/paper-pattern/PaperPatternPage.tsx'),
            },
            { path: 'orders/:id/what-if', lazy: () => import('../places/what-if/WhatIfPage.tsx') },
            { path: 'orders/:id/flat', lazy: () => import('../places/flat/FlatPage.tsx') },
            { path: 'clients/new', lazy: () => import('../places/clients/NewClientPage.tsx') },
            { path: 'clients/:id', lazy: () => import('../places/clients/ClientPage.tsx') },
            { path: 'diary/book', lazy: () => import('../places/diary/BookPage.tsx') },
            { path: 'clients/:id/measure', lazy: () => import('../places/measuring/ClientMeasurePage.tsx') },
            { path: 'clients/:id/measures', lazy: () => import('../places/tape/HistoryPage.tsx') },
            { path: 'old-book', lazy: () => import('../places/imports/ImportPage.tsx') },
            { path: 'whose-tape', lazy: () => import('../places/tape/TapePage.tsx') },
            { path: 'how-we-measure', lazy: () => import('../places/guide/GuidePage.tsx') },
            { path: 'account', lazy: () => import('../places/account/AccountPage.tsx') },
            { path: 'house/security', lazy: () => import('../places/house/SecurityPage.tsx') },
            { path: 'house', lazy: () => import('../places/house/HousePage.tsx') },
            { path: 'set-up', lazy: () => import('../places/house/SetUpPage.tsx') },
            { path: 'house/rules', lazy: () => import('../places/house/RulesPage.tsx') },
            { path: 'house/bench', lazy: () => import('../places/house/BenchRulesPage.tsx') },
          ],
        },
        { path: '*', Component: NoSuchPage },
      ],
    },
  ]),
);
