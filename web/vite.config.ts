import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // Keeps the shell in the browser, so that the pages open without a network; never any records.
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'shell-worker.ts',
      injectRegister: false,
      manifest: false,
      injectManifest: { globPatterns: ['assets/*.{js,css,woff2}', 'icon.svg'] },
    }),
    // Once, as small as can be, instead of at every visit.
    compression({ algorithms: ['brotliCompress', 'gzip'], include: /assets\/.*\.(js|css)$/, threshold: 1024 }),
  ],
  // The server puts a fresh nonce here with every page it sends.
  html: { cspNonce: '%NONCE%' },
  build: { assetsInlineLimit: 0, sourcemap: false, target: 'es2022' },
  server: { proxy: { '/api': 'http://127.0.0.1:8420' } },
  test: { environment: 'happy-dom', include: ['src/**/*.test.{ts,tsx}'] },
});
