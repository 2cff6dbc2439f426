import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './app/App.tsx';
import { keepOnDevice } from './app/deviceCache.ts';
import { queryClient } from './app/queries.ts';
import { RootBoundary } from './app/RootBoundary.tsx';

keepOnDevice(queryClient);
const root = document.getElementById('root');
if (!root) throw new Error('The page has no root');
createRoot(root).render(
  <StrictMode>
    <RootBoundary>
      <QueryClientProvider client={queryClient}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </RootBoundary>
  </StrictMode>,
);
