import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import '@fontsource-variable/source-sans-3/wght.css';
import '@fontsource-variable/source-serif-4/opsz.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { queries } from './api/client';
import { restore } from './away/kept';
import { watchNetwork } from './away/reach';
import { router } from './router';
import { theme } from './look/theme';
import './look/page.css';

const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
const cache = createCache({ key: 'fn', prepend: true, ...(nonce ? { nonce } : {}) });
const root = document.getElementById('root');

/** So long what was kept is waited for, ms: without it the page is asked for as ever. */
const PATIENCE = 1000;

watchNetwork();
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined);
}
await Promise.race([restore(), new Promise((resolve) => setTimeout(resolve, PATIENCE))]);

if (root) {
  createRoot(root).render(
    <StrictMode>
      <CacheProvider value={cache}>
        <ThemeProvider theme={theme}>
          <CssBaseline />
          <QueryClientProvider client={queries}>
            <RouterProvider router={router} />
          </QueryClientProvider>
        </ThemeProvider>
      </CacheProvider>
    </StrictMode>,
  );
}
