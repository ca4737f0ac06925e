import hooks from "eslint-plugin-react-hooks";
import { readdirSync } from "node:fs";
import { defineConfig } from "eslint/config";
import ts from "typescript-eslint";

// A feature's index.ts is its only door, and no feature knows another: whatever stands in the folder is covered.
const features = readdirSync(new URL("src/features", import.meta.url));
const others = (name) => features.filter((other) => other !== name);
const refuse = (...patterns) => ({ "no-restricted-imports": ["error", { patterns }] });
const shell = { group: ["**/app/*"], message: "Features and shared widgets do not know the shell." };

export default defineConfig([
  { ignores: ["src/api/generated.ts", "src/api/generated-vocabulary.ts"] },
  ...ts.configs.strict,
  hooks.configs.flat.recommended,
  {
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector:
            'Property[key.name="queryKey"] > ArrayExpression, CallExpression[callee.property.name="setQueryData"] > ArrayExpression',
          message: "Keys come from domain/keys.ts: what is read again after a change follows from them.",
        },
      ],
    },
  },
  ...features.map((name) => ({
    files: [`src/features/${name}/**`],
    rules: refuse(shell, {
      group: [...others(name).flatMap((o) => [`**/${o}`, `**/${o}/*`]), "**/features/*"],
      message: "Features do not import each other; move what two need to domain/, plain widgets to ui/.",
    }),
  })),
  {
    files: ["src/domain/**"],
    rules: refuse(shell, { group: ["**/features/*"], message: "What features share does not know them." }),
  },
  {
    files: ["src/ui/**"],
    rules: refuse(shell, {
      group: ["**/features/*", "**/domain/*", "**/generated*"],
      message: "Plain widgets know nothing of the trade.",
    }),
  },
  {
    files: ["src/app/**"],
    rules: refuse({ group: ["**/features/*/*"], message: "A feature's index.ts is its only door." }),
  },
]);
