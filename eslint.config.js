import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'
import { appScripts } from './lint-scripts.js'

export default ts.config(
  { ignores: ['dist/', 'test-results/'] },
  js.configs.recommended,
  ...ts.configs.strictTypeChecked,
  ...ts.configs.stylisticTypeChecked,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    languageOptions: {
      parserOptions: {
        parser: ts.parser,
        project: ['tsconfig.core.json', 'tsconfig.app.json', 'tsconfig.node.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/prefer-readonly': 'error',
      // There are no enums.
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      // There are few classes, and the types of all that is handed about are compared for it: a tenth of the time.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      'vue/component-api-style': ['error', ['script-setup']],
      'vue/define-macros-order': 'error',
      'vue/no-undef-components': ['error', { ignorePatterns: ['VueDraggable'] }],
      // SVG has attributes in camel case.
      'vue/attribute-hyphenation': ['error', 'always', { ignore: ['pathLength'] }],
    },
  },
  {
    files: ['src/app/**/*.ts'],
    ignores: ['**/*.test.ts'],
    languageOptions: { parser: appScripts },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: appScripts, extraFileExtensions: ['.vue'] } },
  },
  {
    // Ids are opaque: what something is stands in fields. Only upgrades of old plans read what was once written into ids.
    files: ['src/core/**', 'src/app/**'],
    ignores: ['src/core/plan/upgrade.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['[callee.object.name=/(^id|Id)$/]', '[callee.object.property.name=/(^id|Id)$/]'].map(
          (of) => ({
            selector: `CallExpression[callee.property.name=/^(startsWith|endsWith|includes|split|slice|substring|match|matchAll|replace|replaceAll|indexOf|charAt)$/]${of}`,
            message: 'An id is not parsed: keep what it says in a field.',
          }),
        ),
        ...['[arguments.0.name=/(^id|Id)$/]', '[arguments.0.property.name=/(^id|Id)$/]'].map(
          (of) => ({
            selector: `CallExpression[callee.property.name=/^(test|exec)$/]${of}`,
            message: 'An id is not parsed: keep what it says in a field.',
          }),
        ),
      ],
    },
  },
  {
    // Controls of forms are those of src/app/ui: they read what people type, tell what is wrong with it and keep it.
    files: ['src/app/**/*.vue'],
    ignores: ['src/app/ui/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        { element: 'select', message: 'Take PickField of src/app/ui.' },
      ],
      'vue/no-restricted-static-attribute': [
        'error',
        ...['number', 'checkbox', 'radio', 'range', 'color'].map((value) => ({
          key: 'type',
          element: 'input',
          value,
          message: 'Take a field of src/app/ui.',
        })),
      ],
    },
  },
  {
    files: ['src/app/**'],
    languageOptions: { globals: globals.browser },
    rules: {
      // Only vue-tsc knows the types of .vue files; here they are all `any`.
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      'vue/require-default-prop': 'off',
    },
  },
  {
    // Tests reach into results on purpose; a wrong `!` fails the test.
    files: ['**/*.test.ts', 'e2e/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    // Programs that people run speak to them.
    files: ['src/server/**', 'scripts/**', 'bench/**'],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['**/*.js', '**/*.mjs', '**/*.cjs'],
    ...ts.configs.disableTypeChecked,
    languageOptions: { globals: globals.node, parserOptions: { project: null } },
  },
  {
    files: ['**/*.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
)
