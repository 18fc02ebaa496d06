import js from '@eslint/js';
import globals from 'globals';

export default [
    js.configs.recommended,
    { files: ['public/assets/js/**/*.js'], languageOptions: { globals: globals.browser } },
    { files: ['**/*.mjs'], languageOptions: { globals: { ...globals.node, ...globals.browser } } },
    {
        rules: {
            'prefer-const': 'error',
            eqeqeq: 'error',
            'no-var': 'error',
            'no-shadow': 'error',
        },
    },
];
