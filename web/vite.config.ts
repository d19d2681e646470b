import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  // The server puts a fresh nonce here with every page it sends.
  html: { cspNonce: '%NONCE%' },
  build: { assetsInlineLimit: 0, sourcemap: false, target: 'es2022' },
  server: { proxy: { '/api': 'http://127.0.0.1:8420' } },
  test: { environment: 'happy-dom', include: ['src/**/*.test.{ts,tsx}'] },
});
