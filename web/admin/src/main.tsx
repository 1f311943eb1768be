import './style.css';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Navigate, Route, Router, Routes } from 'react-router';
import { meta } from './data/client';
import { sessionQuery } from './data/queries';
import { useStore } from './data/store';
import { lazily } from './parts/lazily';
import { setShopZone } from './parts/when';
import { navigator, place } from './shell/history';
import { Nowhere } from './shell/Nowhere';
import { Shell } from './shell/Shell';
import { ViewBoundary } from './shell/ViewBoundary';

setShopZone(meta('time-zone') || 'UTC');

const queries = new QueryClient({
  defaultOptions: {
    // What others change is told by the news; nothing is asked again only because a window was looked at.
    queries: { retry: false, staleTime: 30_000, refetchOnWindowFocus: false, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});

// A view is fetched when it is opened; a menu is the next thing that most people open.
const AccountView = lazily(() => import('./people/AccountView').then((view) => view.default));
const FiltersView = lazily(() => import('./filters/FiltersView').then((view) => view.default));
const FactorFirst = lazily(() => import('./people/FactorFirst').then((first) => first.FactorFirst));
const FirstStepsView = lazily(() => import('./start/FirstStepsView').then((view) => view.default));
const FrameView = lazily(() => import('./menus/FrameView').then((view) => view.default));
const LettersView = lazily(() => import('./letters/LettersView').then((view) => view.default));
const LooksView = lazily(() => import('./menus/LooksView').then((view) => view.default));
const MenuView = lazily(() => import('./menus/MenuView').then((view) => view.default));
const PeopleView = lazily(() => import('./people/PeopleView').then((view) => view.default));
const PlacesView = lazily(() => import('./places/PlacesView').then((view) => view.default));
const PlaceSheetView = lazily(() => import('./places/PlaceSheetView').then((view) => view.default));
const PoliciesView = lazily(() => import('./policies/PoliciesView').then((view) => view.default));
const RedirectsView = lazily(() => import('./redirects/RedirectsView').then((view) => view.default));
const LinkCheckView = lazily(() => import('./findings/LinkCheckView').then((view) => view.default));
const ReleasesView = lazily(() => import('./releases/ReleasesView').then((view) => view.default));

/** A new shop begins with its first steps, any other with its menus. */
function Beginning() {
  const session = useQuery(sessionQuery);
  return session.data ? <Navigate to={session.data.isNew && session.data.canEdit ? '/first-steps' : '/menus'} replace /> : null;
}

function Views() {
  const location = useStore(place);
  return (
    <Router location={location} navigator={navigator}>
      <Routes>
        <Route path="/" element={<Shell FactorFirst={FactorFirst} />}>
          <Route index element={<Beginning />} />
          <Route path="first-steps" element={<FirstStepsView />} />
          <Route path="menus" element={<FrameView onShown={MenuView.fetch} />} />
          <Route path="menus/looks" element={<LooksView />} />
          <Route path="menus/:id" element={<MenuView />} />
          <Route path="places" element={<PlacesView />} />
          <Route path="places/policies" element={<Navigate to="/policies" replace />} />
          <Route path="places/:id" element={<PlaceSheetView />} />
          <Route path="filters" element={<FiltersView />} />
          <Route path="policies" element={<PoliciesView />} />
          <Route path="people" element={<PeopleView />} />
          <Route path="account" element={<AccountView />} />
          <Route path="mailbox" element={<LettersView />} />
          <Route path="redirects" element={<RedirectsView />} />
          <Route path="link-check" element={<LinkCheckView />} />
          <Route path="releases/:number?" element={<ReleasesView />} />
          <Route path="*" element={<Nowhere />} />
        </Route>
      </Routes>
    </Router>
  );
}

// Dialogs keep the page behind them still with a style of their own; this lets it through the content security policy.
Object.assign(window, { __webpack_nonce__: meta('style-nonce') });

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <ViewBoundary>
          <Views />
        </ViewBoundary>
      </QueryClientProvider>
    </StrictMode>,
  );
}
