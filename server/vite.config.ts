import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  build: { ssr: 'src/main.ts', outDir: 'dist', target: 'node20', minify: false, emptyOutDir: true },
  ssr: { noExternal: [/^@hollow-bell\//] },
});
