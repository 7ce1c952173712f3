import vue from '@vitejs/plugin-vue';
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers';
import components from 'unplugin-vue-components/vite';
import { defineConfig } from 'vitest/config';

/** Guards against what hangs, far from how long anything takes: no test fails because the machine is busy. */
const GUARDS = { testTimeout: 600_000, hookTimeout: 600_000 };

const page = {
  plugins: [vue(), components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: false })] })],
};
const inPage = { environment: 'happy-dom', server: { deps: { inline: ['element-plus'] } }, ...GUARDS };

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          environment: 'node',
          include: ['core/src/**/*.test.ts', 'tell/src/**/*.test.ts', 'contract/src/**/*.test.ts'],
          // Nothing in them is ever changed by a test: one world for all of them, loaded once.
          isolate: false,
          ...GUARDS,
        },
      },
      { test: { name: 'scripts', environment: 'node', include: ['scripts/**/*.test.mjs'], ...GUARDS } },
      { test: { name: 'server', environment: 'node', include: ['server/src/**/*.test.ts'], isolate: false, ...GUARDS } },
      { test: { name: 'campaign', environment: 'node', include: ['campaign/**/*.test.ts'], ...GUARDS } },
      {
        ...page,
        test: { name: 'web', include: ['web/src/**/*.test.ts'], exclude: ['web/src/{stores,api}/**'], isolate: false, ...inPage },
      },
      // What the browser keeps stands in these modules: each file begins with none of it.
      { ...page, test: { name: 'stores', include: ['web/src/{stores,api}/**/*.test.ts'], ...inPage } },
    ],
  },
});
