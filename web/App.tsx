import { CssBaseline, LinearProgress, ThemeProvider } from '@mui/material';
import { setupListeners } from '@reduxjs/toolkit/query';
import { SnackbarProvider } from 'notistack';
import type { ComponentType } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, Outlet, RouterProvider } from 'react-router';
import { windowServices } from './state/services.ts';
import { makeListStore } from './state/store.ts';
import { Boundary } from './ui/Boundary.tsx';
import { Notice } from './ui/Notice.tsx';
import { coral, theme } from './ui/theme.ts';

const { store, extra } = makeListStore(windowServices());
// What was changed in another window is seen when one comes back.
setupListeners(store.dispatch);

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

/** A screen that is loaded when it is first gone to. */
const screen = (path: string, load: () => Promise<ComponentType>) => ({
  path,
  lazy: async () => ({ Component: await load() }),
});

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
const siteScreen = (path: string, load: () => Promise<ComponentType>) =>
  screen(`/sites/:site/${path}`, async () => (await Promise.all([load(), loadSiteState()]))[0]);

/** The screens, each a file of its own. */
const SCREENS = [
  screen('/', async () => (await import('./sites/Sites.tsx')).Sites),
  siteScreen('pages', async () => (await import('./pages/Pages.tsx')).Pages),
  siteScreen('shelf', async () => (await import('./shelf/Shelf.tsx')).Shelf),
  siteScreen('views', async () => (await import('./views/Views.tsx')).Views),
  siteScreen('type', async () => (await import('./type/TypeLab.tsx')).TypeLab),
  siteScreen('letters', async () => (await import('./messages/MessagesScreen.tsx')).MessagesScreen),
  siteScreen('publications', async () => (await import('./publications/Publications.tsx')).Publications),
  siteScreen('pages/:page', async () => (await import('./workbench/Workbench.tsx')).Workbench),
];

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
      ...SCREENS,
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
  return (
    <Provider store={store}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <SnackbarProvider
          maxSnack={2}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          style={{ maxWidth: 440, marginBottom: 32, background: coral }}
        >
          <RouterProvider router={router} />
        </SnackbarProvider>
      </ThemeProvider>
    </Provider>
  );
}
