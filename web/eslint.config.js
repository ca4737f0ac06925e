import hooks from "eslint-plugin-react-hooks";
import { defineConfig } from "eslint/config";
import ts from "typescript-eslint";

// A feature's index.ts is its only door, and features do not know each other.
const features = ["assign", "attempt", "desk", "marking", "session", "time", "wall"];

export default defineConfig([
  { ignores: ["src/api/generated.ts"] },
  ...ts.configs.strict,
  hooks.configs.flat.recommended,
  ...features.map((name) => ({
    files: [`src/features/${name}/**`],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              group: ["**/features/*"],
              message: "Features do not import each other; move what two need to ui/.",
            },
            { group: ["**/app/*"], message: "Features do not know the shell." },
          ],
        },
      ],
    },
  })),
  {
    files: ["src/ui/**"],
    rules: { "no-restricted-imports": ["error", { patterns: ["**/features/*", "**/app/*"] }] },
  },
]);
