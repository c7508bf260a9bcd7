import tseslint from 'typescript-eslint'
import hooks from 'eslint-plugin-react-hooks'
import a11y from 'eslint-plugin-jsx-a11y'

const METHOD =
  '/^(trunk-injection|soil-drench|soil-injection|bark-spray|crown-spray|feed|collar|trenches|water|prune|guard|fence|shelter|bag|repel|band|hands|release|save|watch|sample|barrier|fell|wood)$/'

export default tseslint.config(
  { ignores: ['.next*/**', 'node_modules/**', '.data/**', '.threads/**', 'next-env.d.ts'] },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_+$' }],
      // A promise that nobody waits for is said to be so; a form may send one.
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['src/**/*.tsx', 'src/**/use*.ts'],
    extends: [hooks.configs.flat.recommended, a11y.flatConfigs.strict],
    rules: {
      // Lists that draw what is in view are not compiled ahead; nothing here is.
      'react-hooks/incompatible-library': 'off',
      // A form that was opened on purpose begins in its first field.
      'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }],
      // What scrolls by itself is reached by keyboard.
      'jsx-a11y/no-noninteractive-tabindex': ['error', { roles: ['tabpanel', 'group', 'region'], tags: [] }],
      // To light what is looked at, by pointer or focus, is no control.
      'jsx-a11y/no-noninteractive-element-interactions': [
        'error',
        { handlers: ['onClick', 'onMouseDown', 'onMouseUp', 'onKeyDown', 'onKeyUp'] },
      ],
      'jsx-a11y/no-static-element-interactions': [
        'error',
        { handlers: ['onClick', 'onMouseDown', 'onMouseUp', 'onKeyDown', 'onKeyUp'] },
      ],
    },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/pieces/Link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'next/link', message: 'Use Link of ui/pieces.' }] },
      ],
    },
  },
  {
    // A method is known by name in its folder and in the registries alone: others ask what it is like.
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/core/methods/*/*.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          `BinaryExpression[operator=/^[!=]==$/][left.property.name='method'][right.value=${METHOD}]`,
          `BinaryExpression[operator=/^[!=]==$/][left.name='method'][right.value=${METHOD}]`,
          `SwitchStatement[discriminant.property.name='method']:has(SwitchCase > Literal[value=${METHOD}])`,
          `SwitchStatement[discriminant.name='method']:has(SwitchCase > Literal[value=${METHOD}])`,
        ].map((selector) => ({
          selector,
          message: 'Ask what the method is like; its folder has the question.',
        })),
      ],
    },
  },
  {
    // What a test looks into has the shape it is about to check.
    files: ['**/*.test.ts', 'tests/**'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
    },
  },
  { files: ['demo/**', 'src/db/migrate.ts', 'tests/**', 'bench/**'], rules: { 'no-console': 'off' } },
)
