import { createBrowserRouter } from 'react-router';
import { BrokenPage, NoSuchPage, Opening } from './NoSuchPage.tsx';

/**
 * Every address of the studio. Each place is its own chunk, loaded when it is entered; the door (signing in) knows
 * nothing of the house behind it: neither its store nor the component library.
 */
export const router = createBrowserRouter([
  { path: '/sign-in', HydrateFallback: Opening, lazy: () => import('../signin/SignInPage.tsx') },
  { path: '/answer', HydrateFallback: Opening, lazy: () => import('../answer/AnswerPage.tsx') },
  { path: '/at-home', HydrateFallback: Opening, lazy: () => import('../athome/AtHomePage.tsx') },
  {
    path: '/tape-device',
    HydrateFallback: Opening,
    lazy: () => import('../tapedevice/TapeDevicePage.tsx'),
  },
  { path: '/setup', HydrateFallback: Opening, lazy: () => import('../signin/SetupPage.tsx') },
  {
    path: '/',
    lazy: () => import('./House.tsx'),
    HydrateFallback: Opening,
    ErrorBoundary: BrokenPage,
    children: [
      { index: true, lazy: () => import('../orders/OrdersPage.tsx') },
      { path: 'orders', lazy: () => import('../orders/OrdersPage.tsx') },
      { path: 'orders/:id/sheet', lazy: () => import('../sheet/SheetPage.tsx') },
      { path: 'today', lazy: () => import('../diary/TodayPage.tsx') },
      { path: 'diary', lazy: () => import('../diary/DiaryPage.tsx') },
      { path: 'messages', lazy: () => import('../diary/OutboxPage.tsx') },
      { path: 'diary/weeks', lazy: () => import('../diary/WeeksPage.tsx') },
      { path: 'clients', lazy: () => import('../clients/ClientsPage.tsx') },
      {
        lazy: () => import('./DressedPages.tsx'),
        children: [
          { path: 'orders/new', lazy: () => import('../orders/NewOrderPage.tsx') },
          { path: 'orders/:id', lazy: () => import('../orders/OrderPage.tsx') },
          { path: 'orders/:id/brief', lazy: () => import('../orders/BriefPage.tsx') },
          { path: 'orders/:id/fitting', lazy: () => import('../fitting/FittingPage.tsx') },
          { path: 'orders/:id/alterations/:alteration', lazy: () => import('../bench/JobPage.tsx') },
          { path: 'brought-in', lazy: () => import('../fitting/BringInPage.tsx') },
          { path: 'bench', lazy: () => import('../bench/BenchPage.tsx') },
          { path: 'orders/:id/measure', lazy: () => import('../measuring/MeasurePage.tsx') },
          { path: 'orders/:id/flat', lazy: () => import('../flat/FlatPage.tsx') },
          { path: 'clients/new', lazy: () => import('../clients/NewClientPage.tsx') },
          { path: 'clients/:id', lazy: () => import('../clients/ClientPage.tsx') },
          { path: 'diary/book', lazy: () => import('../diary/BookPage.tsx') },
          { path: 'clients/:id/measures', lazy: () => import('../tape/HistoryPage.tsx') },
          { path: 'old-book', lazy: () => import('../imports/ImportPage.tsx') },
          { path: 'whose-tape', lazy: () => import('../tape/TapePage.tsx') },
          { path: 'how-we-measure', lazy: () => import('../guide/GuidePage.tsx') },
          { path: 'account', lazy: () => import('../account/AccountPage.tsx') },
          { path: 'house/security', lazy: () => import('../house/SecurityPage.tsx') },
          { path: 'house', lazy: () => import('../house/HousePage.tsx') },
          { path: 'house/rules', lazy: () => import('../house/RulesPage.tsx') },
          { path: 'house/bench', lazy: () => import('../house/BenchRulesPage.tsx') },
        ],
      },
      { path: '*', Component: NoSuchPage },
    ],
  },
]);
