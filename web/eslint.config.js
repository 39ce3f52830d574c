import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["dist", "src/api/schema.d.ts", "eslint.config.js"] },
  js.configs.recommended,
  tseslint.configs.strictTypeChecked,
  tseslint.configs.stylisticTypeChecked,
  jsxA11y.flatConfigs.strict,
  reactHooks.configs.flat["recommended-latest"],
  { languageOptions: { parserOptions: { projectService: true } } },
  {
    rules: {
      // Numbers in template strings are what these strings are for: SVG paths.
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      // One place only talks to the server.
      "no-restricted-globals": ["error", { name: "fetch", message: "Use src/api." }],
    },
  },
);
