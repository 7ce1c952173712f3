import vue from '@vitejs/plugin-vue';
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers';
import components from 'unplugin-vue-components/vite';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vite';

const apiPort = process.env['API_PORT'] ?? '4174';

const api = { target: `http://127.0.0.1:${apiPort}`, headers: { origin: `http://127.0.0.1:${apiPort}` }, changeOrigin: true };

const FIRST_VIEW = [
  { name: 'vue', test: /node_modules[\\/](?:@vue|vue|vue-router|pinia|@vueuse)[\\/]/ },
  { name: 'words', test: /core[\\/]src[\\/]quantities[\\/]|tell[\\/]src[\\/]formats/ },
  {
    name: 'vessels',
    test: /(?:look[\\/]liquidColor|parts[\\/]vessel[\\/]VesselSection|rounds[\\/](?:BellMark|putOffEvent|urgency|phases)|useFormGuard|stores[\\/]rounds|src[\\/]cellar\.ts|core[\\/]src[\\/]vessel[\\/]drawing)/,
  },
];

/** The whole shell and every station on the device, so that it opens without a network; a new one waits until the maker takes it. */
const installable = VitePWA({
  registerType: 'prompt',
  injectRegister: false,
  manifest: {
    name: 'Hollow Bell',
    short_name: 'Hollow Bell',
    description: 'For home mead makers, from the must to the bottle.',
    lang: 'en',
    display: 'standalone',
    start_url: '/',
    background_color: '#eef0ea',
    theme_color: '#eef0ea',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
    maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/(?:demo\/)?api\//],
    sourcemap: false,
  },
});

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), components({ dirs: [], dts: 'components.d.ts', resolvers: [ElementPlusResolver({ importStyle: 'css' })] }), installable],
  build: {
    outDir: 'dist',
    target: 'es2022',
    emptyOutDir: true,
    chunkSizeWarningLimit: 700,
    // What every view needs comes in a few files: each file costs a kilobyte of headers.
    rolldownOptions: { output: { codeSplitting: { groups: FIRST_VIEW } } },
  },
  server: {
    host: '127.0.0.1',
    port: Number(process.env['WEB_PORT'] ?? '4173'),
    strictPort: true,
    proxy: { '/api': api, '/demo/api': api },
  },
});
