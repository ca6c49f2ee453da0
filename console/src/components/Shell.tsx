import AccountIcon from '@mui/icons-material/PersonOutlined';
import AttentionIcon from '@mui/icons-material/NotificationsNoneOutlined';
import CollectIcon from '@mui/icons-material/ContentPasteOutlined';
import CollectionIcon from '@mui/icons-material/CollectionsBookmarkOutlined';
import HarvestIcon from '@mui/icons-material/GrassOutlined';
import PlacesIcon from '@mui/icons-material/WebOutlined';
import ProvidersIcon from '@mui/icons-material/ExtensionOutlined';
import RegisterIcon from '@mui/icons-material/FactCheckOutlined';
import SweepsIcon from '@mui/icons-material/TravelExploreOutlined';
import TodayIcon from '@mui/icons-material/WbTwilightOutlined';
import DoneIcon from '@mui/icons-material/HistoryOutlined';
import Box from '@mui/material/Box';
import { Navigate, NavLink, Outlet, ScrollRestoration, useLocation } from 'react-router';
import { lazy, Suspense, useEffect } from 'react';
import mark from '../mark.svg';
import { useMay, useMustSetUp } from '../session.ts';
import { callOfScreen } from './screen-rights.ts';
import { useFocusOnNavigation } from './useFocusOnNavigation.ts';

const screens = [
  { to: '/', label: 'Today', icon: <TodayIcon /> },
  { to: '/collect', label: 'Collect', icon: <CollectIcon /> },
  { to: '/harvests', label: 'Harvest', icon: <HarvestIcon /> },
  { to: '/collection', label: 'Collection', icon: <CollectionIcon /> },
  { to: '/places', label: 'Places', icon: <PlacesIcon /> },
  { to: '/register', label: 'Register', icon: <RegisterIcon /> },
  { to: '/sweeps', label: 'Sweeps', icon: <SweepsIcon /> },
  { to: '/attention', label: 'Attention', icon: <AttentionIcon /> },
  { to: '/providers', label: 'Providers', icon: <ProvidersIcon /> },
  { to: '/done', label: 'Done', icon: <DoneIcon /> },
  { to: '/account', label: 'Account', icon: <AccountIcon /> },
];

/* There is no room for all of them on a phone: these are reached from the screens of today, for collecting
   and of the account. */
const notOnPhones: ReadonlySet<string> = new Set([
  ...['/harvests', '/sweeps', '/attention', '/providers', '/done'],
]);

/* Only who goes by the keyboard meets it, before all the ways to other screens. */
const skip = {
  'position': 'fixed',
  'top': 8,
  'left': 8,
  'zIndex': 20,
  'px': 2,
  'py': 1,
  'borderRadius': 1,
  'bgcolor': 'background.paper',
  'transform': 'translateY(-200%)',
  '&:focus': { transform: 'none' },
};

/* With the words for it, which the first screen does without. */
const NotForThem = lazy(() => import('./NotForThem.tsx'));

/* All that there is for somebody who has to set up a second factor first. */
const isAboutThem = (path: string): boolean => path === '/security' || path === '/account';

/* The screen, where whoever is signed in has any use for it; the first one is that of their sites then. */
function ForThem({ path }: { path: string }) {
  const call = callOfScreen(path);
  const may = useMay();
  const mustSetUp = useMustSetUp();
  if (mustSetUp && !isAboutThem(path)) return <Navigate to="/security" replace />;
  if (call === null || may(call)) return <Outlet />;
  if (path === '/') return <Navigate to="/places" replace />;
  return (
    <Suspense>
      <NotForThem call={call} />
    </Suspense>
  );
}

/**
 * What stands around every screen: the way between them, beside the work on a wide screen and
 * below it on a narrow one.
 */
export function Shell() {
  const main = useFocusOnNavigation();
  const may = useMay();
  const mustSetUp = useMustSetUp();
  const isOfUse = (path: string): boolean => {
    const call = callOfScreen(path);
    return mustSetUp ? isAboutThem(path) : call === null || may(call);
  };
  const { pathname } = useLocation();
  useEffect(() => {
    const gone = new AbortController();
    // The first screen does without it.
    void import('../others/listen.ts').then(({ listenToOthers }) => listenToOthers(gone.signal));
    return () => gone.abort();
  }, []);
  return (
    <Box
      sx={{
        display: 'grid',
        displayPrint: 'block',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '208px minmax(0, 1fr)' },
        minHeight: '100vh',
      }}
    >
      <Box component="a" href="#main" sx={skip}>
        Skip to the content
      </Box>
      <Box
        component="nav"
        aria-label="Screens"
        sx={{
          position: { xs: 'fixed', md: 'sticky' },
          bottom: { xs: 0, md: 'auto' },
          top: { md: 0 },
          left: 0,
          right: 0,
          zIndex: 10,
          alignSelf: 'start',
          height: { md: '100vh' },
          p: { xs: 0.5, md: 2 },
          display: 'flex',
          displayPrint: 'none',
          flexDirection: { xs: 'row', md: 'column' },
          gap: 0.5,
          bgcolor: 'background.paper',
          borderStyle: 'solid',
          borderColor: 'divider',
          borderWidth: { xs: '1px 0 0', md: '0 1px 0 0' },
        }}
      >
        <Box
          sx={{
            display: { xs: 'none', md: 'flex' },
            alignItems: 'center',
            gap: 1.25,
            px: 1,
            pb: 2.5,
            pt: 0.5,
            typography: 'h2',
          }}
        >
          <img src={mark} alt="" width="30" height="30" /> Orbis
        </Box>
        {screens
          .filter(({ to }) => isOfUse(to))
          .map(({ to, label, icon }) => (
            <Box
              key={to}
              component={NavLink}
              to={to}
              end={to === '/'}
              sx={{
                'display': { xs: notOnPhones.has(to) ? 'none' : 'flex', md: 'flex' },
                'flexDirection': { xs: 'column', md: 'row' },
                'flex': { xs: 1, md: 'none' },
                'alignItems': 'center',
                'gap': { xs: 0.25, md: 1.5 },
                'px': { xs: 0, md: 1.25 },
                'py': { xs: 0.75, md: 1 },
                'mt': { md: to === '/done' ? 'auto' : 0 },
                'borderRadius': 1,
                'color': 'text.secondary',
                'textDecoration': 'none',
                'fontWeight': 600,
                'fontSize': { xs: 11.5, md: 16 },
                '& svg': { fontSize: 22 },
                '&:hover': { color: 'text.primary' },
                '&.active': {
                  color: 'primary.main',
                  bgcolor: 'color-mix(in srgb, var(--mui-palette-primary-main) 10%, transparent)',
                },
              }}
            >
              {icon}
              {label}
            </Box>
          ))}
      </Box>
      <Box
        component="main"
        id="main"
        ref={main}
        tabIndex={-1}
        sx={{
          outline: 'none',
          px: { xs: 2, md: 5 },
          pt: { xs: 3, md: 4.5 },
          pb: { xs: 12, md: 6 },
          maxWidth: 1240,
          width: '100%',
          mx: 'auto',
        }}
      >
        <ForThem path={pathname} />
      </Box>
      <ScrollRestoration />
    </Box>
  );
}
