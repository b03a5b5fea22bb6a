import { CssBaseline, ThemeProvider } from '@mui/material';
import { setupListeners } from '@reduxjs/toolkit/query';
import { SnackbarProvider } from 'notistack';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, Outlet, RouterProvider } from 'react-router';
import { windowServices } from './state/services.ts';
import { makeStore } from './state/store.ts';
import { Pages } from './pages/Pages.tsx';
import { Letters } from './letters/Letters.tsx';
import { Publications } from './publications/Publications.tsx';
import { Shelf } from './shelf/Shelf.tsx';
import { Sites } from './sites/Sites.tsx';
import { Boundary } from './ui/Boundary.tsx';
import { Notice } from './ui/Notice.tsx';
import { coral, theme } from './ui/theme.ts';
import { TypeLab } from './type/TypeLab.tsx';
import { Views } from './views/Views.tsx';
import { Workbench } from './workbench/Workbench.tsx';

const services = windowServices();
const store = makeStore(services);
// What was changed in another window is seen when one comes back.
setupListeners(store.dispatch);

/** What stands in for a screen that met a fault. */
function Faulty() {
  return (
    <Notice severity="error" action={{ label: 'Load again', run: () => window.location.reload() }}>
      This screen met a fault of ours and cannot go on. What the top bar called kept is kept; load the page
      again to continue.
    </Notice>
  );
}

const router = createBrowserRouter([
  {
    element: (
      <Boundary of={null} notice={() => <Faulty />}>
        {() => <Outlet />}
      </Boundary>
    ),
    children: [
      { path: '/', element: <Sites /> },
      { path: '/sites', element: <Navigate to="/" replace /> },
      { path: '/sites/:site/pages', element: <Pages /> },
      { path: '/sites/:site/shelf', element: <Shelf /> },
      { path: '/sites/:site/views', element: <Views /> },
      { path: '/sites/:site/type', element: <TypeLab /> },
      { path: '/sites/:site/letters', element: <Letters /> },
      { path: '/sites/:site/publications', element: <Publications /> },
      { path: '/sites/:site/pages/:page', element: <Workbench /> },
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
