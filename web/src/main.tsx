import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { Problem } from './api/client';
import { App } from './app/App';
import { StayOrLeave } from './app/StayOrLeave';
import './app/app.css';
import { applyTheme, savedTheme } from './lib/theme';

// Students come by a card and see their own side alone; nothing of the rest is asked for there.
const Taking = lazy(() => import('./features/learning/taking/TakingApp'));

applyTheme(savedTheme());
// An open dialog holds the page behind it still with a style of its own; the page's policy lets it through by this nonce.
setNonce(document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? '');

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      retry: (count, error) => count < 2 && !(error instanceof Problem && error.status < 500),
    },
  },
});

// Without it everything works as well, but for opening a page without a network.
if (import.meta.env.PROD) void navigator.serviceWorker?.register('/shell-worker.js').catch(() => {});

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        {/^\/take\/?$/.test(location.pathname) ? (
          <Suspense fallback={null}>
            <Taking />
          </Suspense>
        ) : (
          <BrowserRouter>
            <StayOrLeave>
              <App />
            </StayOrLeave>
          </BrowserRouter>
        )}
      </QueryClientProvider>
    </StrictMode>,
  );
}
