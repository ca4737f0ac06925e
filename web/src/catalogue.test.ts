import ts from "typescript";
import { expect, it } from "vitest";
import { named, t } from "./catalogue";

/** Verbs with which a button may begin; add one here (docs/words.md). */
const VERBS =
  "Add Agree Allow Archive Ask Assign Build Cancel Change Check Choose Close Compare " +
  "Confirm Continue Copy Correct Count Create Delete Dismiss Done Download Drag Edit Export " +
  "Give Hide Import Join Keep Log Mark Measure Move Open Play Print Put Read Record Reload " +
  "Remove Reopen Report Reset Retake Return Review Revoke Rule Save Scan Schedule Send Set " +
  "Show Sign Skip Sort Start Stop Swap Switch Take Tap Tick Try Turn Undo Use Waive Weld";

/** What a button says while it works. */
const UNDER_WAY = /^\w+ing .*…$/;

const sources = import.meta.glob<string>(["./**/*.tsx", "!./**/*.test.tsx"], {
  query: "?raw",
  import: "default",
  eager: true,
});

/** Messages that stand alone on a button: [file, id]. */
function onButtons([path, text]: [string, string]): [string, string][] {
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const found: [string, string][] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxElement(node) && isButton(node.openingElement)) {
      for (const child of node.children) ids(child).forEach((id) => found.push([path, id]));
      return;
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

/** What acts when it is pressed; what only opens and closes (aria-expanded) or is one of several is no act. */
function isButton(element: ts.JsxOpeningElement): boolean {
  const attributes = element.attributes.properties.filter(ts.isJsxAttribute).map((a) => a.name.getText());
  if (attributes.some((name) => ["aria-expanded", "aria-pressed", "role"].includes(name))) return false;
  return element.tagName.getText() === "button";
}

function ids(node: ts.Node): string[] {
  if (ts.isJsxElement(node) || ts.isJsxSelfClosingElement(node)) return [];
  const call =
    ts.isCallExpression(node) && ts.isIdentifier(node.expression) && node.expression.text === "t"
      ? node
      : null;
  const name = call?.arguments[0];
  if (name && ts.isStringLiteral(name)) return [name.text];
  const found: string[] = [];
  ts.forEachChild(node, (child) => void found.push(...ids(child)));
  return found;
}

it("begins every button with a verb", () => {
  const verbs = new Set(VERBS.split(" "));
  const buttons = Object.entries(sources).flatMap(onButtons);
  expect(buttons.length).toBeGreaterThan(60);
  const say = t as (id: string, variables: Record<string, string>) => string;
  const odd = buttons.filter(([, id]) => {
    const words = say(id, {});
    return !verbs.has(words.split(" ")[0] ?? "") && !UNDER_WAY.test(words);
  });
  expect(odd.map(([path, id]) => `${path}: ${id}: ${say(id, {})}`)).toEqual([]);
});

it("names codes, and shows one without a name as it is", () => {
  expect(named("option-metal", "304L+carbon")).toBe("304L to carbon steel");
  expect(named("state", "unheard")).toBe("unheard");
});
