import './style.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { meta } from './api/client';
import { MenusView } from './menus/MenusView';
import { Toasts } from './parts/toasts';
import { PlaceSheetView } from './places/PlaceSheetView';
import { PlacesView } from './places/PlacesView';
import { PoliciesView } from './places/PoliciesView';
import { RedirectsView } from './redirects/RedirectsView';
import { ReleasesView } from './releases/ReleasesView';
import { Shell } from './shell/Shell';

const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 2000, refetchOnWindowFocus: true } } });

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    children: [
      { index: true, element: <Navigate to="/menus" replace /> },
      { path: 'menus/:id?', element: <MenusView /> },
      { path: 'places', element: <PlacesView /> },
      { path: 'places/policies', element: <PoliciesView /> },
      { path: 'places/:id', element: <PlaceSheetView /> },
      { path: 'redirects', element: <RedirectsView /> },
      { path: 'releases/:number?', element: <ReleasesView /> },
      { path: '*', element: <Nowhere /> },
    ],
  },
]);

function Nowhere() {
  return (
    <main className="p-8">
      <h1>There is no such view</h1>
      <p className="mt-2 text-soft">Choose one above.</p>
    </main>
  );
}

// Dialogs keep the page behind them still with a style of their own; this lets it through the content security policy.
Object.assign(window, { __webpack_nonce__: meta('style-nonce') });

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <Toasts>
          <RouterProvider router={router} />
        </Toasts>
      </QueryClientProvider>
    </StrictMode>,
  );
}
