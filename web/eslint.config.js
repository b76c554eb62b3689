import js from "@eslint/js";
import prettier from "eslint-config-prettier";
import vue from "eslint-plugin-vue";
import ts from "typescript-eslint";
import { importRules } from "./importRules.js";

export default ts.config(
  { ignores: ["dist", "src/api/generated.d.ts", "node_modules"] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs["flat/recommended"],
  { files: ["**/*.vue"], languageOptions: { parserOptions: { parser: ts.parser } } },
  // What the documents always give has no second default here.
  {
    files: ["src/**/*.{ts,vue}"],
    languageOptions: {
      parserOptions: {
        parser: ts.parser,
        projectService: true,
        extraFileExtensions: [".vue"],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: { "@typescript-eslint/no-unnecessary-condition": "error" },
  },
  // The compiler knows the browser's names; the linter does not.
  { rules: { "no-undef": "off", "vue/multi-word-component-names": "off" } },
  ...importRules,
  prettier,
);
