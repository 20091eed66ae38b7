import { createBrowserRouter } from 'react-router';
import { Shell } from './shell/Shell';
import { Stumble } from './shell/Stumble';

/** Every view is loaded when it is first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    Component: Shell,
    ErrorBoundary: Stumble,
    HydrateFallback: () => null,
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./day/DayView')).DayView }) },
      { path: 'bench', lazy: async () => ({ Component: (await import('./bench/BenchView')).BenchView }) },
      {
        path: 'bench/rounds/:id',
        lazy: async () => ({ Component: (await import('./bench/RoundView')).RoundView }),
      },
      { path: 'bench/:id', lazy: async () => ({ Component: (await import('./bench/CheckView')).CheckView }) },
      { path: 'outbox', lazy: async () => ({ Component: (await import('./away/OutboxView')).OutboxView }) },
      {
        path: 'checks/:id',
        lazy: async () => ({ Component: (await import('./checks/RecordedCheckView')).RecordedCheckView }),
      },
      { path: 'runs/new', lazy: async () => ({ Component: (await import('./runs/NewRunView')).NewRunView }) },
      {
        path: 'runs/paper/:unit',
        lazy: async () => ({ Component: (await import('./runs/PaperView')).PaperView }),
      },
      { path: 'runs/:id', lazy: async () => ({ Component: (await import('./runs/RunView')).RunView }) },
      {
        path: 'results',
        lazy: async () => ({ Component: (await import('./results/ResultsView')).ResultsView }),
      },
      {
        path: 'results/:run',
        lazy: async () => ({ Component: (await import('./results/ResultView')).ResultView }),
      },
      {
        path: 'reports',
        lazy: async () => ({ Component: (await import('./report/ReportsView')).ReportsView }),
      },
      {
        path: 'reports/:id',
        lazy: async () => ({ Component: (await import('./report/ReportView')).ReportView }),
      },
      {
        path: 'recalls/:id',
        lazy: async () => ({ Component: (await import('./recall/RecallView')).RecallView }),
      },
      {
        path: 'laboratory',
        lazy: async () => ({ Component: (await import('./laboratory/LaboratoryView')).LaboratoryView }),
      },
      {
        path: 'custody/:id',
        lazy: async () => ({ Component: (await import('./laboratory/CustodyView')).CustodyView }),
      },
      { path: 'plan', lazy: async () => ({ Component: (await import('./plan/PlansView')).PlansView }) },
      {
        path: 'plan/new',
        lazy: async () => ({ Component: (await import('./plan/NewPlanView')).NewPlanView }),
      },
      {
        path: 'plan/sample',
        lazy: async () => ({ Component: (await import('./plan/SampleView')).SampleView }),
      },
      {
        path: 'plan/:id',
        lazy: async () => ({ Component: (await import('./plan/DayPlanView')).DayPlanView }),
      },
      {
        path: 'plan/:id/sheets',
        lazy: async () => ({ Component: (await import('./plan/FieldSheetsView')).FieldSheetsView }),
      },
      {
        path: 'unsettled',
        lazy: async () => ({ Component: (await import('./unsettled/UnsettledView')).UnsettledView }),
      },
      { path: 'dates', lazy: async () => ({ Component: (await import('./dates/DatesView')).DatesView }) },
      { path: 'kit', lazy: async () => ({ Component: (await import('./kit/KitView')).KitView }) },
      {
        path: 'kit/sheets/new',
        lazy: async () => ({ Component: (await import('./kit/SheetEditor')).SheetEditor }),
      },
      {
        path: 'kit/sheets/:code',
        lazy: async () => ({ Component: (await import('./kit/SheetView')).SheetView }),
      },
      {
        path: 'references/:id',
        lazy: async () => ({ Component: (await import('./kit/ReferenceView')).ReferenceView }),
      },
      { path: 'kit/:id', lazy: async () => ({ Component: (await import('./kit/UnitView')).UnitView }) },
      {
        path: 'policies',
        lazy: async () => ({ Component: (await import('./policies/PoliciesView')).PoliciesView }),
      },
      {
        path: 'people',
        lazy: async () => ({ Component: (await import('./people/PeopleView')).PeopleView }),
      },
      {
        path: 'journal',
        lazy: async () => ({ Component: (await import('./journal/JournalView')).JournalView }),
      },
      { path: '*', lazy: async () => ({ Component: (await import('./shell/Nowhere')).Nowhere }) },
    ],
  },
]);
