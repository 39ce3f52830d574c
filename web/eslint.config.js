import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** The stations, what is around them and the pad; and what all of them stand on. None knows another;
 * what two need is shared. */
const STATIONS = ["plan", "show", "write", "check", "grow", "settings", "first", "door", "pad"];
/** Each knows only those before it. */
const SHARED = ["api", "ink", "ui"];

/** Files of a folder may import nothing from these folders. */
function closed(folder, others, message) {
  return {
    files: [`src/${folder}/**`],
    rules: {
      "no-restricted-imports": [
        "error",
        { patterns: [{ regex: `^(\\.\\./)+(${others.join("|")})/`, message }] },
      ],
    },
  };
}

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
  ...STATIONS.map((station) =>
    closed(
      station,
      STATIONS.filter((other) => other !== station),
      "A station knows no other: what two of them need goes to ui/ or ink/.",
    ),
  ),
  ...SHARED.map((folder, at) =>
    closed(
      folder,
      [...STATIONS, ...SHARED.slice(at + 1)],
      "What is shared knows no station, and of api, ink and ui only what comes before it.",
    ),
  ),
);
