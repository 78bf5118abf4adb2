import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import globals from 'globals'
import ts from 'typescript-eslint'
import { vueScripts } from './lint-scripts.js'

// Templates of .vue files, and their scripts with types (without where LINT_TYPES=no); oxlint does the rest (.oxlintrc.json).
export default ts.config(
  { ignores: ['**/*.{ts,js,mjs,cjs}', 'dist/'] },
  ...ts.configs.strictTypeChecked,
  ...ts.configs.stylisticTypeChecked,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.vue'],
    languageOptions: {
      globals: globals.browser,
      parserOptions: {
        parser: vueScripts,
        project: true,
        extraFileExtensions: ['.vue'],
      },
    },
    rules: {
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      // There are no enums.
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      // There are few classes, and the types of all that is handed about are compared for it: a tenth of the time.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      // Only vue-tsc knows the types of other .vue files; here they are all `any`.
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      'vue/component-api-style': ['error', ['script-setup']],
      'vue/define-macros-order': 'error',
      'vue/no-undef-components': ['error', { ignorePatterns: ['VueDraggable'] }],
      'vue/require-default-prop': 'off',
      // SVG has attributes in camel case.
      'vue/attribute-hyphenation': ['error', 'always', { ignore: ['pathLength'] }],
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
  ...(process.env.LINT_TYPES === 'no' ? [ts.configs.disableTypeChecked] : []),
)
