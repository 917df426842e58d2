import next from "eslint-config-next";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: [".next/**", "out/**", ".cache/**", "dist/**", "node_modules/**", "test-results/**", "next-env.d.ts", "**/*.cjs"] },
  ...next,
  ...tseslint.configs.recommended,
  {
    files: ["**/*.ts", "**/*.tsx"],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      "@typescript-eslint/no-floating-promises": "error",
      "@typescript-eslint/switch-exhaustiveness-check": ["error", { considerDefaultExhaustiveForUnions: true }],
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true }],
      "@typescript-eslint/no-non-null-assertion": "off",
      "no-restricted-syntax": [
        "error",
        { selector: "ExportAllDeclaration", message: "Exports are explicit." },
        {
          selector: "CallExpression[callee.property.name=/^(edit|preview|follow)$/][callee.object.name='session'] > ArrowFunctionExpression[params.length=0]",
          message: "An edit is a function of the layout it is given; of a captured one it takes back what has changed since. See seenAs and madeOn.",
        },
        {
          selector:
            "JSXOpeningElement[name.name=/^(input|textarea)$/]:not(:has(> JSXAttribute[name.name='maxLength'])):not(:has(> JSXAttribute[name.name='type'][value.value=/^(range|checkbox|radio|file|color)$/]))",
          message: "A field that takes text has a limit (maxLength): what is longer than it may be is cut, not carried about.",
        },
      ],
      "no-console": ["error", { allow: ["error", "warn"] }],
      "@typescript-eslint/max-params": ["error", { max: 4 }],
    },
  },
  {
    files: ["core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-globals": [
        "error",
        ...["window", "document", "navigator", "performance", "setTimeout", "fetch", "process", "localStorage"].map((name) => ({
          name,
          message: "core has no clock, no DOM, no globals.",
        })),
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "core has no random numbers." },
        { object: "Date", property: "now", message: "core has no clock." },
      ],
    },
  },
  { files: ["**/*.test.ts", "test/**", "e2e/**"], rules: { "@typescript-eslint/max-params": "off" } },
  { files: ["*.config.mjs"], rules: { "import/no-anonymous-default-export": "off" } },
  { files: ["scripts/**", "bench/**", "cli/**", "e2e/**"], rules: { "no-console": "off" } },
);
