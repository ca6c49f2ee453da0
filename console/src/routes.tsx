import { createBrowserRouter } from 'react-router';
import { Broken } from './components/Broken.tsx';
import { Shell } from './components/Shell.tsx';

/* Each screen is loaded when it is first opened. */
const screen = (load: () => Promise<{ default: () => React.ReactNode }>) => async () => ({
  Component: (await load()).default,
});

/** The console's screens, in the order of the work. */
export const router = createBrowserRouter([
  {
    path: '/sign-in',
    HydrateFallback: () => null,
    ErrorBoundary: Broken,
    lazy: screen(() => import('./signing-in/SignIn.tsx')),
  },
  {
    path: '/set-password',
    HydrateFallback: () => null,
    ErrorBoundary: Broken,
    lazy: screen(() => import('./signing-in/SetPassword.tsx')),
  },
  {
    path: '/steps',
    HydrateFallback: () => null,
    ErrorBoundary: Broken,
    lazy: screen(() => import('./plan/SharedPlanScreen.tsx')),
  },
  {
    path: '/',
    Component: Shell,
    HydrateFallback: () => null,
    ErrorBoundary: Broken,
    children: [
      {
        // Within the shell, so that the way to the other screens stays.
        ErrorBoundary: Broken,
        children: [
          { index: true, lazy: screen(() => import('./today/TodayScreen.tsx')) },
          { path: 'collect', lazy: screen(() => import('./collect/CollectScreen.tsx')) },
          { path: 'harvests', lazy: screen(() => import('./harvest/HarvestsScreen.tsx')) },
          { path: 'harvests/:harvest', lazy: screen(() => import('./harvest/HarvestScreen.tsx')) },
          { path: 'imports', lazy: screen(() => import('./imports/ImportScreen.tsx')) },
          { path: 'collection', lazy: screen(() => import('./collection/CollectionScreen.tsx')) },
          { path: 'changes', lazy: screen(() => import('./groups/GroupChangeScreen.tsx')) },
          { path: 'done', lazy: screen(() => import('./done/DoneScreen.tsx')) },
          { path: 'collection/:embed', lazy: screen(() => import('./embed/EmbedScreen.tsx')) },
          { path: 'places', lazy: screen(() => import('./places/PlacesScreen.tsx')) },
          { path: 'places/:site/pages', lazy: screen(() => import('./places/pages/FindPagesScreen.tsx')) },
          { path: 'places/:site/head', lazy: screen(() => import('./places/head/HeadScreen.tsx')) },
          { path: 'places/:site/editor', lazy: screen(() => import('./places/editor/EditorScreen.tsx')) },
          { path: 'places/:site', lazy: screen(() => import('./places/SiteScreen.tsx')) },
          { path: 'lists/:list', lazy: screen(() => import('./lists/ListScreen.tsx')) },
          { path: 'plan', lazy: screen(() => import('./plan/PlanScreen.tsx')) },
          { path: 'register', lazy: screen(() => import('./register/RegisterScreen.tsx')) },
          { path: 'register/:placement', lazy: screen(() => import('./placement/PlacementScreen.tsx')) },
          { path: 'third-parties', lazy: screen(() => import('./register/ThirdPartiesScreen.tsx')) },
          { path: 'terms', lazy: screen(() => import('./terms/TermsScreen.tsx')) },
          { path: 'attention', lazy: screen(() => import('./attention/AttentionScreen.tsx')) },
          { path: 'inspections', lazy: screen(() => import('./inspections/InspectionsScreen.tsx')) },
          { path: 'looks', lazy: screen(() => import('./looks/LooksScreen.tsx')) },
          { path: 'hosts', lazy: screen(() => import('./hosts/HostsScreen.tsx')) },
          { path: 'news', lazy: screen(() => import('./news/NewsScreen.tsx')) },
          { path: 'sweeps', lazy: screen(() => import('./sweeps/SweepsScreen.tsx')) },
          { path: 'providers', lazy: screen(() => import('./providers/ProvidersScreen.tsx')) },
          { path: 'providers/new', lazy: screen(() => import('./providers/NewSheetScreen.tsx')) },
          { path: 'providers/learn', lazy: screen(() => import('./providers/LearnScreen.tsx')) },
          { path: 'providers/:provider', lazy: screen(() => import('./providers/ProviderScreen.tsx')) },
          { path: 'audit', lazy: screen(() => import('./audit/AuditScreen.tsx')) },
          { path: 'copies', lazy: screen(() => import('./copies/CopiesScreen.tsx')) },
          { path: 'health', lazy: screen(() => import('./health/HealthScreen.tsx')) },
          { path: 'people', lazy: screen(() => import('./people/PeopleScreen.tsx')) },
          { path: 'security', lazy: screen(() => import('./security/SecurityScreen.tsx')) },
          { path: 'account', lazy: screen(() => import('./account/AccountScreen.tsx')) },
          { path: '*', lazy: screen(() => import('./components/NotHere.tsx')) },
        ],
      },
    ],
  },
]);
