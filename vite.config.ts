import { rmSync } from 'node:fs';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

/** Two origins, two builds: `vite build --mode storefront` and `vite build --mode admin`. */
export default defineConfig(({ mode }) => {
  const storefront = mode === 'storefront';
  const outDir = storefront ? 'public/storefront' : 'public/admin';
  if (mode !== 'test') {
    rmSync(`${outDir}/assets`, { recursive: true, force: true });
  }
  return {
    plugins: storefront ? [] : [react(), tailwindcss()],
    base: storefront ? '/-/' : '/',
    publicDir: false,
    define: mode === 'test' ? {} : { 'process.env.NODE_ENV': '"production"' },
    build: {
      outDir,
      emptyOutDir: false,
      manifest: true,
      // Fonts stay files: inlined, they would be fetched again with every change of the styles.
      assetsInlineLimit: 0,
      rollupOptions: {
        input: storefront ? ['web/storefront/main.ts', 'web/storefront/preview.ts'] : ['web/admin/src/main.tsx'],
      },
    },
    test: { include: ['web/**/*.test.ts', 'web/**/*.test.tsx'], testTimeout: 60_000, env: { NODE_ENV: 'test' } },
  };
});
