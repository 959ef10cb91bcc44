import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist/', 'node_modules/', 'target/', 'src/lib/api/schema.gen.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: globals.browser } },
  // in these the compiler needs no types declared: TypeScript knows which names there are
  { rules: { 'no-undef': 'off' } },
  // sets and maps here are made anew, not changed in place, wherever a view depends on them
  { rules: { 'svelte/prefer-svelte-reactivity': 'off' } },
  { files: ['**/*.svelte', '**/*.svelte.ts'], languageOptions: { parserOptions: { parser: ts.parser } } },
);
