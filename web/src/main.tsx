import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './roof/App.tsx';
import { keepOnDevice } from './ground/deviceCache.ts';
import { queryClient } from './ground/queries.ts';
import { RootBoundary } from './roof/RootBoundary.tsx';

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
