import { CssBaseline, LinearProgress, ThemeProvider } from '@mui/material';
import { setupListeners } from '@reduxjs/toolkit/query';
import { SnackbarProvider } from 'notistack';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, Outlet, RouterProvider } from 'react-router';
import { SCREENS } from './screens.ts';
import { routeOf, Screens, type Screen } from './site/screen.ts';
import { windowServices } from './state/services.ts';
import { makeListStore } from './state/store.ts';
import { Boundary } from './ui/Boundary.tsx';
import { Notice } from './ui/Notice.tsx';
import { useKeptFocus } from './ui/keepfocus.ts';
import { coralFill, theme } from './ui/theme.ts';

const { store, extra } = makeListStore(windowServices());
// What was changed in another window is seen when one comes back.
setupListeners(store.dispatch);

// Commits what is typed in a field when the page unloads.
addEventListener('pagehide', () => (document.activeElement as HTMLElement | null)?.blur());

/** While the first screen is on its way. */
const Loading = () => <LinearProgress aria-label="Loading" />;

/** What stands in for a screen that met a fault. */
function Faulty() {
  return (
    <Notice severity="error" action={{ label: 'Load again', run: () => window.location.reload() }}>
      This screen could not be loaded, or met a fault of ours. What the top bar called saved is safe; load the
      page again to continue.
    </Notice>
  );
}

let siteState: Promise<unknown> | undefined;

/** Loads the state of an open site, once. */
const loadSiteState = () =>
  (siteState ??= import('./state/sitestore.ts')
    .then(({ addSiteState }) => addSiteState(store, extra))
    .catch((error: unknown) => {
      siteState = undefined;
      throw error;
    }));

/** A screen of a site, which needs its state as well. */
const siteRoute = (screen: Screen) => ({
  path: routeOf(screen),
  handle: screen,
  lazy: async () => ({ Component: (await Promise.all([screen.load(), loadSiteState()]))[0] }),
});

const router = createBrowserRouter([
  {
    // A screen that cannot be fetched, as there is no network, or another version is installed by now.
    errorElement: <Faulty />,
    HydrateFallback: Loading,
    element: (
      <Boundary of={null} notice={() => <Faulty />}>
        {() => <Outlet />}
      </Boundary>
    ),
    children: [
      { path: '/sites', element: <Navigate to="/" replace /> },
      { path: '/', lazy: async () => ({ Component: (await import('./sites/Sites.tsx')).Sites }) },
      ...SCREENS.map(siteRoute),
      // Where the messages were before.
      { path: '/sites/:site/letters', element: <Navigate to="../messages" relative="path" replace /> },
      {
        path: '*',
        element: (
          <Notice severity="info" wayBack>
            There is no screen at this address.
          </Notice>
        ),
      },
    ],
  },
]);

export function App() {
  useKeptFocus();
  return (
    <Provider store={store}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <SnackbarProvider
          maxSnack={2}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          style={{ maxWidth: 440, marginBottom: 32, background: coralFill }}
        >
          <Screens value={SCREENS}>
            <RouterProvider router={router} />
          </Screens>
        </SnackbarProvider>
      </ThemeProvider>
    </Provider>
  );
}
