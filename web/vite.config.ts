import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig(({ mode }) => ({
  plugins: [tailwindcss(), svelte()],
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // The component library does not say that its modules only define things: who uses one of them would load all.
    rolldownOptions: { treeshake: { moduleSideEffects: [{ test: /flowbite-svelte/, sideEffects: false }] } },
  },
  // each file in a world of its own takes twice as long, most of it loading the same modules
  test: { css: true, isolate: false, setupFiles: ['src/test.setup.ts'] },
  // components are tested as the browser gets them
  resolve: mode === 'test' ? { conditions: ['browser'] } : undefined,
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
}));
