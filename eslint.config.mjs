import tseslint from 'typescript-eslint'
import hooks from 'eslint-plugin-react-hooks'

export default tseslint.config(
  { ignores: ['.next*/**', 'node_modules/**', '.data/**', 'next-env.d.ts'] },
  ...tseslint.configs.recommended,
  {
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_+$' }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  { files: ['demo/**', 'src/db/migrate.ts', 'tests/**', 'bench/**'], rules: { 'no-console': 'off' } },
)
