import vue from '@vitejs/plugin-vue';
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers';
import components from 'unplugin-vue-components/vite';
import { defineConfig } from 'vite';

const apiPort = process.env['API_PORT'] ?? '4174';

const api = { target: `http://127.0.0.1:${apiPort}`, headers: { origin: `http://127.0.0.1:${apiPort}` }, changeOrigin: true };

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), components({ dirs: [], dts: 'components.d.ts', resolvers: [ElementPlusResolver({ importStyle: 'css' })] })],
  build: { outDir: 'dist', target: 'es2022', emptyOutDir: true, chunkSizeWarningLimit: 700 },
  server: {
    host: '127.0.0.1',
    port: Number(process.env['WEB_PORT'] ?? '4173'),
    strictPort: true,
    proxy: { '/api': api, '/demo/api': api },
  },
});
