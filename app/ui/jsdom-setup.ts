import { cleanup, configure } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// each test finds only what it drew itself
afterEach(cleanup);
// a busy machine draws slowly; no test here measures time
configure({ asyncUtilTimeout: 20_000 });

// what jsdom lacks and antd asks for
vi.stubGlobal('matchMedia', () => ({
  matches: false,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
}));
vi.stubGlobal(
  'ResizeObserver',
  class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
);
