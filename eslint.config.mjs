import astro from 'eslint-plugin-astro';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist/', 'dist-cli/', '.astro/', '.antler/', 'node_modules/'] },
  ...tseslint.configs.strict,
  ...astro.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}', 'tests/**/*.ts', 'demo/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
    },
  },
  {
    rules: {
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['info', 'error'] }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // A file is one idea and a function one thing: what is longer says why it is, where it is.
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'max-lines': ['error', { max: 350 }],
      'max-lines-per-function': ['error', { max: 80 }],
    },
  },
  {
    files: ['src/islands/**/*.{ts,tsx}', 'src/ui/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks, 'jsx-a11y': a11y },
    rules: {
      ...hooks.configs.recommended.rules,
      ...a11y.flatConfigs.strict.rules,
      'jsx-a11y/label-has-associated-control': ['error', { controlComponents: ['HowMany'] }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'localStorage',
        'crypto',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Random numbers come in as arguments.' },
        { object: 'Date', property: 'now', message: 'Time comes in as an argument.' },
      ],
    },
  },
  {
    files: ['scripts/**/*.mjs', 'bin/*.mjs', '*.config.mjs', '*.cjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        module: 'writable',
      },
    },
    rules: { 'no-console': 'off' },
  },
);
