import js from "@eslint/js";
import a11y from "eslint-plugin-jsx-a11y";
import hooks from "eslint-plugin-react-hooks";
import globals from "globals";
import ts from "typescript-eslint";

export default ts.config(
  { ignores: ["dist", "src/api/api-types.ts"] },
  js.configs.recommended,
  ...ts.configs.strict,
  a11y.flatConfigs.recommended,
  hooks.configs.flat["recommended-latest"],
  { languageOptions: { globals: globals.browser } },
);
