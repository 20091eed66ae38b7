import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// No test finds what the one before it showed, asked for or put in the place of something.
afterEach(() => {
  cleanup();
  vi.clearAllMocks();
  vi.unstubAllGlobals();
});
