import hooks from "eslint-plugin-react-hooks";
import { readdirSync } from "node:fs";
import { defineConfig } from "eslint/config";
import ts from "typescript-eslint";

// A feature's index.ts is its only door, and no feature knows another: whatever stands in the folder is covered.
const features = readdirSync(new URL("src/features", import.meta.url));
const others = (name) => features.filter((other) => other !== name);
const refuse = (...patterns) => ({ "no-restricted-imports": ["error", { patterns }] });
// What a person reads comes from the catalogue (src/catalogue.tsx): no letters stand in elements or in what they say.
const READ = "/^(alt|aria-label|aria-valuetext|empty|heading|hint|label|placeholder|text|title|words)$/";
const LETTERS = "/[A-Za-z]{2}/";
const bare = [
  `JSXText[value=${LETTERS}]`,
  `JSXAttribute[name.name=${READ}] > Literal[value=${LETTERS}]`,
  "JSXAttribute > Literal[value=/^[A-Z][a-z]/]",
  `JSXAttribute[name.name=${READ}] > JSXExpressionContainer > :matches(Literal[value=${LETTERS}], ConditionalExpression > Literal[value=${LETTERS}])`,
  `JSXAttribute[name.name=${READ}] > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=${LETTERS}]`,
  `JSXElement > JSXExpressionContainer > :matches(Literal[value=${LETTERS}], ConditionalExpression > Literal[value=${LETTERS}])`,
  `JSXElement > JSXExpressionContainer > LogicalExpression > Literal[value=${LETTERS}]`,
  `JSXElement > JSXExpressionContainer > :matches(TemplateLiteral, ConditionalExpression > TemplateLiteral, LogicalExpression > TemplateLiteral) > TemplateElement[value.raw=/[a-z]{2} |^[A-Z][a-z]/]`,
].map((selector) => ({ selector, message: "Sentences come from the catalogue: t(), <Say>." }));
const keys = {
  selector:
    'Property[key.name="queryKey"] > ArrayExpression, CallExpression[callee.property.name="setQueryData"] > ArrayExpression',
  message: "Keys come from domain/keys.ts: what is read again after a change follows from them.",
};
const shell = { group: ["**/app/*"], message: "Features and shared widgets do not know the shell." };

export default defineConfig([
  { ignores: ["src/api/generated.ts", "src/api/generated-vocabulary.ts", "src/api/generated-messages.ts"] },
  ...ts.configs.strict,
  // Its rules compile every component; a test has none of its own.
  { ...hooks.configs.flat.recommended, ignores: ["src/**/*.test.*", "src/testing/**", "src/api/**"] },
  {
    rules: {
      "no-restricted-syntax": ["error", keys],
    },
  },
  {
    files: ["src/**/*.tsx"],
    ignores: ["src/**/*.test.tsx", "src/testing/**"],
    rules: { "no-restricted-syntax": ["error", keys, ...bare] },
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
