import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

export default ts.config(
  { ignores: ['dist', 'src/api/generated'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['src/**/*.{ts,vue}'],
    languageOptions: { parser: vueParser, parserOptions: { parser: ts.parser, sourceType: 'module' } },
    rules: {
      'vue/valid-v-slot': ['error', { allowModifiers: true }],
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'no-undef': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      // A dialog belongs to the address at which it was opened.
      'vue/no-restricted-syntax': ['error', { selector: "VElement[name='v-dialog']", message: 'Use common/PageDialog, which closes when one goes elsewhere.' }],
    },
  },
  { files: ['src/common/PageDialog.vue', 'src/shell/HalfFilledDialog.vue'], rules: { 'vue/no-restricted-syntax': 'off' } },
)
