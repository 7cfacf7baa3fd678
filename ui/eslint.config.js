import hooks from 'eslint-plugin-react-hooks';
import { defineConfig } from 'eslint/config';
import ts from 'typescript-eslint';

export default defineConfig(
  { ignores: ['dist', 'public', 'src/shared/api/schema.d.ts', 'eslint.config.js'] },
  ts.configs.strictTypeChecked,
  hooks.configs.flat['recommended-latest'],
  {
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      // A number in a text is what this program is about.
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      'max-lines': ['error', 300],
      'max-lines-per-function': ['error', 150],
      // A notice calls up its own place: shared/notices.
      'no-restricted-imports': ['error', { paths: ['@mantine/notifications'] }],
      // A handler may start something and let the query client follow it.
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { attributes: false, properties: false } },
      ],
    },
  },
  {
    files: ['src/shared/notices.tsx', 'src/app/NoticeList.tsx'],
    rules: { 'no-restricted-imports': 'off' },
  },
);
