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
  {
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "JSXOpeningElement[name.name=/^[a-z]/] > JSXAttribute[name.name='title']",
          message: "Only a mouse that waits sees it; use hint.",
        },
      ],
      "no-restricted-properties": [
        "error",
        {
          object: "crypto",
          property: "randomUUID",
          message: "A page that is not served from this machine does not have it; use freshId.",
        },
      ],
    },
  },
);
