import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import jsdoc from 'eslint-plugin-jsdoc';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import { ownLookups } from './scripts/lint/own-lookups.mjs';
import { plainWords } from './scripts/lint/plain-words.mjs';
import { defineConfig, globalIgnores } from 'eslint/config';
import ts from 'typescript-eslint';

const noPathname = {
  selector:
    "MemberExpression[property.name='pathname'] > NewExpression[callee.name='URL'] > MetaProperty, MemberExpression[property.name='pathname'] > NewExpression[callee.name='URL'] > MemberExpression > MetaProperty",
  message: 'Use fileURLToPath: the pathname of a URL is no path of the file system.',
};

/** The names of kinds of element: their files. */
const kindNames = readdirSync(join(import.meta.dirname, 'core/elements/kinds'))
  .map((file) => file.replace(/\.ts$/, ''))
  .concat('openingscreen')
  .join('|');

const noKindNames = ['property.name', 'name'].map((side) => ({
  selector: `BinaryExpression[operator=/^[!=]==$/][left.${side}='kind'][right.value=/^(${kindNames})$/]`,
  message:
    'Ask what the kind has in common with others (hasTrait), or what its entry says, and not which kind it is.',
}));

export default defineConfig(
  globalIgnores(['dist', 'built*', 'data', 'node_modules', 'server/store/migrations']),
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/restrict-template-expressions': 'off',
      '@typescript-eslint/no-unused-expressions': ['error', { allowShortCircuit: true, allowTernary: true }],
      // Functions in an interface are written as methods; none of ours uses `this`.
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/require-await': 'off',
      eqeqeq: 'error',
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // A text from outside must not be able to hold the program up: no pattern whose time grows faster than the text.
    files: ['{core,api,server,web,cli}/**/*.{ts,tsx}'],
    plugins: { regexp, names: { rules: { 'own-lookups': ownLookups, 'plain-words': plainWords } } },
    rules: {
      'names/own-lookups': 'error',
      'names/plain-words': 'error',
      'regexp/no-super-linear-backtracking': ['error', { report: 'certain' }],
      'regexp/no-super-linear-move': ['error', { report: 'certain', ignoreSticky: false }],
    },
  },
  {
    // What core offers to others is documented, and no parameter is documented that is not there.
    files: ['core/**/*.ts'],
    ignores: ['**/*.d.ts'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        {
          publicOnly: true,
          require: { ArrowFunctionExpression: true, ClassDeclaration: true, FunctionDeclaration: true },
        },
      ],
      'jsdoc/check-param-names': ['error', { checkDestructured: false, disableMissingParamChecks: true }],
      'jsdoc/check-tag-names': ['error', { typed: true }],
      'jsdoc/no-types': 'error',
      'jsdoc/require-description': ['error', { contexts: ['FunctionDeclaration', 'TSInterfaceDeclaration'] }],
    },
  },
  {
    // `pathname` writes a blank or an umlaut of a folder's name in percent: no path of a file system.
    files: ['**/*.ts', '**/*.mjs'],
    rules: {
      'no-restricted-syntax': ['error', noPathname],
    },
  },
  {
    // What only one kind does stands in its file; what kinds have in common is a trait (docs/extending.md).
    files: ['core/**/*.ts', 'web/**/*.{ts,tsx}', 'server/**/*.ts', 'cli/**/*.ts'],
    // Elements of a layout are of other kinds.
    ignores: ['core/elements/kinds/**', 'core/layout/**'],
    rules: {
      'no-restricted-syntax': ['error', noPathname, ...noKindNames],
      // What has to be there is asked for with `sure` and its like, which say what is missing (core/sure.ts).
      '@typescript-eslint/no-non-null-assertion': 'error',
    },
  },
  {
    files: ['test/**/*.ts'],
    rules: {
      // What comes over HTTP or out of the browser has no type; tests ask it for what it is.
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
  {
    files: ['web/**/*.tsx', 'web/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
