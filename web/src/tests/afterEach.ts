import 'fake-indexeddb/auto';
import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';
import { atSite } from '../look/site';

// No test finds what the one before it showed, asked for or put in the place of something.
afterEach(() => {
  cleanup();
  atSite(null);
  vi.clearAllMocks();
  vi.unstubAllGlobals();
});
