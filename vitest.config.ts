import vue from '@vitejs/plugin-vue';
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers';
import components from 'unplugin-vue-components/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          environment: 'node',
          include: ['core/src/**/*.test.ts', 'tell/src/**/*.test.ts', 'contract/src/**/*.test.ts', 'scripts/**/*.test.mjs'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'server',
          environment: 'node',
          include: ['server/src/**/*.test.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: { name: 'campaign', environment: 'node', include: ['campaign/**/*.test.ts'] },
      },
      {
        plugins: [vue(), components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: false })] })],
        test: {
          name: 'web',
          environment: 'happy-dom',
          include: ['web/src/**/*.test.ts'],
          server: { deps: { inline: ['element-plus'] } },
        },
      },
    ],
  },
});
