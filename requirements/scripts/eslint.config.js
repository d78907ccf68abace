/* Faults in the scripts; how they are laid out is not its business. */
import js from "@eslint/js";
import globals from "globals";

const rules = {
  ...js.configs.recommended.rules,
  "no-unused-vars": ["error", { args: "after-used" }],
  "no-var": "error",
  "prefer-const": "error",
  eqeqeq: ["error", "always"],
  "no-implicit-globals": "error",
  "no-restricted-syntax": [
    "error",
    { selector: "CallExpression[callee.name='fetch']", message: "Ask through asking.js, so that headers are merged." },
    { selector: "ExportNamedDeclaration[source]", message: "No export from elsewhere: the manifest hashes such a name twice." },
  ],
};

export default [
  { files: ["src/mantello/shell/static/shell/js/*.js"], languageOptions: { sourceType: "module", globals: globals.browser }, rules },
  { files: ["src/mantello/shell/static/shell/js/asking.js"], rules: { "no-restricted-syntax": "off" } },
  { files: ["tests/scripts/*.mjs"], languageOptions: { sourceType: "module", globals: globals.node }, rules: js.configs.recommended.rules },
];
