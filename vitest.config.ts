import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

const alias = {
  $core: fileURLToPath(new URL('./core', import.meta.url)),
  $lib: fileURLToPath(new URL('./src/lib', import.meta.url)),
};

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'core',
          include: [
            'core/**/*.test.ts',
            'cli/**/*.test.ts',
            'node/**/*.test.ts',
            'engine/**/*.test.ts',
            'scripts/**/*.test.ts',
          ],
          testTimeout: 60_000,
          // On two cores it would be one.
          maxWorkers: 2,
          // What is computed keeps nothing between tests: its data, drawings and faces are loaded once for all files of a worker.
          isolate: false,
        },
      },
      {
        resolve: { alias },
        plugins: [svelte()],
        test: {
          name: 'server',
          globalSetup: ['./e2e/global-setup.ts'],
          include: ['src/**/*.test.ts'],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'e2e',
          globalSetup: ['./e2e/global-setup.ts'],
          include: ['e2e/**/*.test.ts'],
          fileParallelism: false,
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
